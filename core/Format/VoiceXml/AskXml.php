<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Step;
use Ringo\Value\ValueType;

/** One field, with the grammar of its type. */
final readonly class AskXml extends FieldXml
{
    /** Built-in grammars by value type (VoiceXML 2.0, appendix P). */
    private const GRAMMARS = [
        'date' => 'builtin:grammar/date', 'time' => 'builtin:grammar/time', 'number' => 'builtin:grammar/number',
        'money' => 'builtin:grammar/currency', 'phone' => 'builtin:grammar/phone', 'yes_no' => 'builtin:grammar/boolean',
    ];

    protected function answers(Step $step, Writer $to): void
    {
        if (! $step instanceof AskStep) {
            return;
        }
        $field = $to->script->sheet->field($step->field);
        foreach ($field?->type === ValueType::Choice ? $field->options : [] as $option) {
            $to->element('option', ['value' => $option['key']], fn () => $to->xml->text($option['label']));
        }
        if ($field?->type !== ValueType::Choice) {
            $to->element('grammar', ['src' => self::GRAMMARS[$field->type->value ?? 'text'] ?? 'builtin:dictation']);
        }
        $to->events($step->again, $step->reprompts, $step->tries, $step->wayOut, $step->next);
    }
}
