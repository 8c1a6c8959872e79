<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Values given in parts over turns: a number in pieces, a day without an hour, a name without a surname. What was heard is kept and asked on from. */
final readonly class Parts
{
    /** Figures that are surely only part of a number: fewer say nothing, more would have been read. */
    private const FEWEST_FIGURES = 2;

    private const MOST_FIGURES = 10;

    /** Words besides figures that a piece of a number may hold. */
    private const MOST_WORDS = 3;

    public function __construct(private Understanding $understanding)
    {
    }

    /** The words read together with what was heard before; alone where they are whole by themselves. */
    public function joined(Turn $turn, Field $field, Heard $words, Context $context): Reading
    {
        $alone = $this->understanding->read($field->type, $words, $context);
        $part = $turn->state->parts[$field->key] ?? null;
        if ($part === null || $alone->found() && $this->whole($field, $alone)) {
            return $alone;
        }
        $joined = $this->understanding->read($field->type, $part.' '.$words->cleaned(), $context);

        return $joined->found() ? Reading::of($joined->value, $joined->confidence, $words->original, $words->tokens[0]->start ?? 0, strlen($words->original)) : $alone;
    }

    /**
     * Whether the words give only part of the value; what is missing is then asked for.
     *
     * @param Reading $reading what the words gave
     */
    public function missing(Turn $turn, Field $field, Heard $words, Reading $reading, Context $context): bool
    {
        $before = $turn->state->parts[$field->key] ?? null;
        $ask = match ($field->type) {
            ValueType::Phone, ValueType::Reference => $reading->found() || ! $this->figures($words) ? null : 'go_on',
            ValueType::DateTime => $reading->found() ? null : $this->halfOfMoment($words, $context),
            ValueType::Date => $reading->found() || $before !== null || ! $this->monthOrYear($words) ? null : 'which_day_exactly',
            ValueType::PersonName => $before === null && $this->onlyGiven($field, $reading) ? 'surname' : null,
            default => null,
        };
        if ($ask === null) {
            unset($turn->state->parts[$field->key]);

            return false;
        }
        $turn->state->parts[$field->key] = trim(($before ?? '').' '.($field->type === ValueType::PersonName ? (string) $reading->value : $words->cleaned()));
        $turn->trace->rule("{$field->key}: only part of it so far, “{$turn->state->parts[$field->key]}”");
        $turn->standing($ask, [], true);

        return true;
    }

    private function whole(Field $field, Reading $reading): bool
    {
        return $field->type !== ValueType::PersonName || str_contains((string) $reading->value, ' ');
    }

    /** Letters and figures and little else, too few to be the number. */
    private function figures(Heard $words): bool
    {
        $figures = 0;
        $others = 0;
        $numbers = $this->understanding->words->section('numbers', 'zero') + $this->understanding->words->section('numbers', 'units') + $this->understanding->words->section('numbers', 'teens') + $this->understanding->words->section('numbers', 'tens');
        foreach ($words->tokens as $token) {
            if ($token->isDigits()) {
                $figures += strlen($token->text);
            } elseif ($token->isLetter() || isset($numbers[$token->text]) || in_array($token->text, ['double', 'triple', 'hundred', 'oh'], true)) {
                $figures++;
            } else {
                $others++;
            }
        }

        return $figures >= self::FEWEST_FIGURES && $figures <= self::MOST_FIGURES && $others <= self::MOST_WORDS;
    }

    private function halfOfMoment(Heard $words, Context $context): ?string
    {
        if ($this->understanding->read(ValueType::Date, $words, $context)->found()) {
            return 'at_what_time';
        }

        return $this->understanding->read(ValueType::Time, $words, $context)->found() ? 'on_which_day' : null;
    }

    /** 'Last March', 'about two years ago': part of a day, if the caller knows the rest. */
    private function monthOrYear(Heard $words): bool
    {
        $months = $this->understanding->words->section('calendar', 'months');
        foreach ($words->tokens as $token) {
            if (isset($months[$token->text]) || in_array($token->text, ['year', 'years', 'ago', 'month', 'months'], true) || preg_match('/^(?:19|20)\d\d$/', $token->text) === 1) {
                return true;
            }
        }

        return false;
    }

    /** Whether a given name alone was said where the field wants a whole one: its example, if any, has more than one word. */
    private function onlyGiven(Field $field, Reading $reading): bool
    {
        return $reading->found() && is_string($reading->value) && ! str_contains($reading->value, ' ')
            && isset($this->understanding->words->set('given_names')[mb_strtolower($reading->value)])
            && ($field->example === null || str_contains($field->example, ' '));
    }
}
