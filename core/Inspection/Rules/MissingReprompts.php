<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** Finds questions that have nothing more helpful to say when the answer is not understood. */
final readonly class MissingReprompts implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof AskStep || $step->reprompts !== [] || $step->help !== null) {
                continue;
            }
            $field = $design->script->sheet->field($step->field);
            if ($field !== null && $field->example === null && $field->options === [] && ! in_array($field->type, [ValueType::YesNo, ValueType::Text], true)) {
                yield new Finding('no_reprompt', Severity::Note, $key, 'A caller who is not understood is only asked again: write a reprompt, or give the field an example that can be read out.');
            }
        }
    }
}
