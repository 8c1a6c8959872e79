<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds designs in which a caller cannot get to a person. */
final readonly class NoPerson implements Rule
{
    public function find(Design $design): iterable
    {
        if ($design->script->standing->person === null) {
            yield new Finding('no_person', Severity::Warning, null, 'A caller who asks for a person is told that nobody is there. In the standing rules, name the step that takes a message or transfers.');
        }
    }
}
