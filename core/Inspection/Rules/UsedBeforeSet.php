<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Paths;
use Ringo\Script\Steps\Branch\BranchStep;

/** Finds values that are spoken or decided by before any way sets them. */
final readonly class UsedBeforeSet implements Rule
{
    public function find(Design $design): iterable
    {
        $fields = $design->script->sheet->fields;
        $set = [];
        foreach ($design->script->steps as $step) {
            $set += array_fill_keys($step->sets(), true);
        }
        foreach ($design->script->steps as $key => $step) {
            if (! $design->flow->reached($key)) {
                continue;
            }
            $told = [];
            foreach ($step->prompt()?->placeholders() ?? [] as ['path' => $path, 'fallback' => $fallback]) {
                $field = explode('.', $path)[0];
                if ($fallback === null && $design->errandGives($path) && ! isset($told[$field]) && ! $design->flow->possible($key, $field)) {
                    $told[$field] = true;
                    yield new Finding('used_before_set', Severity::Error, $key, "[{$path}] is spoken here, and no way to this step looks it up.");
                }
                if (isset($fields[$field]) && $fallback === null && ! isset($told[$field]) && ! $design->flow->possible($key, $field)) {
                    $told[$field] = true;
                    yield new Finding('used_before_set', Severity::Error, $key, "[{$path}] is spoken here, and no way to this step asks for {$field} or sets it.");
                }
            }
            if ($step instanceof BranchStep) {
                foreach ($step->ways as $way) {
                    foreach ($way['when']->comparisons() as [$value, $kind]) {
                        if (isset($fields[$value]) && ! isset($set[$value]) && $fields[$value]->fromCaller === null && ! isset($told[$value])) {
                            $told[$value] = true;
                            yield new Finding('used_before_set', Severity::Error, $key, "This decides by {$value}, and no step asks for it or sets it.");
                        } elseif (! isset($fields[$value]) && ! Paths::decidable($value) && ! $design->errandGives($value) && ! isset($told[$value])) {
                            $told[$value] = true;
                            yield new Finding('unknown_value', Severity::Error, $key, "This decides by “{$value}”, and there is no such value.");
                        }
                    }
                }
            }
        }
    }
}
