<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds steps no call can come to. */
final readonly class Unreachable implements Rule
{
    public function find(Design $design): iterable
    {
        foreach (array_keys($design->script->steps) as $key) {
            if (! $design->flow->reached($key)) {
                yield new Finding('unreachable', Severity::Warning, $key, 'No call comes to this step: nothing that is reached leads to it.', new Fix('Take the step out', static fn (ScriptDocument $document): ScriptDocument => $document->without($key)));
            }
        }
    }
}
