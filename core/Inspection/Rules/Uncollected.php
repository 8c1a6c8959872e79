<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Errand\Parameter;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\LookUp\LookUpStep;

/** Finds fields of the record sheet that no way through the script fills. */
final readonly class Uncollected implements Rule
{
    public function find(Design $design): iterable
    {
        $set = [];
        foreach ($design->script->steps as $key => $step) {
            if ($design->flow->reached($key)) {
                $set += array_fill_keys([...$step->sets(), ...($step instanceof LookUpStep ? $this->needed($design, $step) : [])], true);
            }
        }
        foreach ($design->script->sheet->fields as $field) {
            if (isset($set[$field->key]) || $field->fromCaller !== null) {
                continue;
            }
            yield $field->required
                ? new Finding('uncollected', Severity::Error, null, "The record must hold {$field->key} ({$field->title}), and no step that is reached asks for it or sets it.")
                : new Finding('unused_field', Severity::Note, null, "No step asks for {$field->key} ({$field->title}) or sets it; it stays empty unless the record is filled in later.");
        }
    }

    /** @return list<string> fields an errand cannot do without: the step asks for them */
    private function needed(Design $design, LookUpStep $step): array
    {
        return array_values(array_filter(array_map(static fn (Parameter $one): string => $one->required ? (string) $one->from : '', $design->errands()[$step->errand]->parameters ?? [])));
    }
}
