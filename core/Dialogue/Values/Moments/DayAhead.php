<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A day told ahead of a question for a day and an hour is half of its answer: it is kept, and only the hour is asked for then. */
final readonly class DayAhead
{
    private const BEEN = ["couldn't", "didn't", "wasn't", "weren't", 'rang', 'tried', 'came'];

    private DayOfAnother $another;

    public function __construct(private Understanding $understanding, private Collector $collector)
    {
        $this->another = new DayOfAnother($understanding, new DayMeant($understanding));
    }

    /** @param list<string> $told fields whose values the words have told already */
    public function keep(Turn $turn, Heard $heard, string $from, array $told): void
    {
        $field = $this->only($turn, $from);
        $state = $turn->state;
        if ($field === null || isset($state->values[$field->key]) || isset($state->parts[$field->key]) || in_array($field->key, $told, true)) {
            return;
        }
        $day = $this->day($turn, $field, $heard);
        if ($day !== null) {
            $state->parts[$field->key] = $day;
            $turn->trace->rule("{$field->key}: “{$day}” is told ahead, and half of it");
        }
    }

    /** The one field further on that holds a moment; where several hold days, nobody knows which is meant. */
    private function only(Turn $turn, string $from): ?Field
    {
        $days = array_values(array_filter(
            array_filter(array_map($turn->script->sheet->field(...), $this->collector->askedFrom($turn, $from))),
            static fn (Field $field): bool => in_array($field->type, [ValueType::Date, ValueType::DateTime], true),
        ));

        return count($days) === 1 && $days[0]->type === ValueType::DateTime ? $days[0] : null;
    }

    private function day(Turn $turn, Field $field, Heard $heard): ?string
    {
        // 'I couldn't get through on Friday' tells what has been.
        $been = [...$this->understanding->words->section('questions', 'has_been'), ...self::BEEN];
        if (array_filter($heard->tokens, static fn (Token $token): bool => in_array($token->text, $been, true)) !== []) {
            return null;
        }
        $context = $this->collector->context($turn, $field, false)->volunteered();
        $day = $this->understanding->read(ValueType::Date, $heard, $context);
        $ahead = is_string($day->value) && $day->value >= $turn->scope()->now->format('Y-m-d');

        $sure = $day->confidence >= Collector::VOLUNTEERED && ! $context->past;

        return $ahead && $sure && ! $this->another->is($turn, $field, $heard, $day, $context) ? $day->said : null;
    }
}
