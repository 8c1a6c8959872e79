<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Finish\FinishStep;

/** Finds steps from which no way leads to an end of the call. */
final readonly class EndlessLoop implements Rule
{
    public function find(Design $design): iterable
    {
        $stuck = array_values(array_filter(array_map(strval(...), array_keys($design->script->steps)), static fn (string $key): bool => $design->flow->reached($key) && ! $design->flow->ends($key)));
        if ($stuck === []) {
            return;
        }
        if (array_filter($design->script->steps, static fn ($step): bool => $step instanceof FinishStep) === []) {
            yield new Finding('no_ending', Severity::Error, null, 'The script has no finish step, so no call ends with last words and an outcome. Add one.');

            return;
        }
        // One finding for each circle, at its first step.
        $told = [];
        foreach ($stuck as $key) {
            if (isset($told[$key])) {
                continue;
            }
            $circle = [$key, ...array_keys(array_intersect_key($design->flow->after($key), array_flip($stuck)))];
            $told += array_fill_keys($circle, true);
            foreach ($stuck as $other) {
                if (isset($design->flow->after($other)[$key])) {
                    $told[$other] = true;
                }
            }
            $names = implode(', ', array_slice(array_unique($circle), 0, 5));
            yield new Finding('endless_loop', Severity::Error, $key, "From here no way leads to an end: the call goes round in {$names}. Let one of them lead to a finish step.");
        }
    }
}
