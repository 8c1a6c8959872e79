<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Choose\ChooseStep;

/** Finds menus by key that cannot be heard again by key. */
final readonly class NoRepeat implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof ChooseStep || $step->repeatKey !== null) {
                continue;
            }
            $used = [...array_column($step->options, 'digit'), $design->script->standing->personKey];
            $free = array_values(array_filter(['9', '8', '7', '#'], static fn (string $digit): bool => ! in_array($digit, $used, true)))[0] ?? null;
            yield new Finding('no_repeat', Severity::Note, $key, 'No key says this menu again.', $free === null ? null : new Fix("Let key {$free} repeat it", static fn (ScriptDocument $document): ScriptDocument => $document->withStep($key, ['repeat_key' => $free] + $document->step($key))));
        }
    }
}
