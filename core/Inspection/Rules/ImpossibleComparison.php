<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Branch\BranchStep;
use Ringo\Value\ValueType;

/** Finds conditions that compare a choice with an option it does not have. */
final readonly class ImpossibleComparison implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof BranchStep) {
                continue;
            }
            foreach ($step->ways as $way) {
                foreach ($way['when']->comparisons() as [$value, $kind, $than]) {
                    $field = $design->script->sheet->field($value);
                    if ($field === null || $field->type !== ValueType::Choice || ! in_array($kind, ['is', 'is_not', 'one_of'], true)) {
                        continue;
                    }
                    $options = array_map(mb_strtolower(...), array_column($field->options, 'key'));
                    foreach (is_array($than) ? $than : [$than] as $one) {
                        if (is_string($one) && ! in_array(mb_strtolower($one), $options, true)) {
                            yield new Finding('impossible_comparison', Severity::Error, $key, "“{$one}” is no option of {$value}; it has ".implode(', ', array_slice($options, 0, 8)).(count($options) > 8 ? ' …' : '').'.');
                        }
                    }
                }
            }
        }
    }
}
