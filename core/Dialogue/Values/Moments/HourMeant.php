<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Phrases;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * 'Half seven' in the morning or the evening, where it was not said: in the evening after 'tonight', of what is done in the evening, such as a
 * show, and where the business is closed at the one and open at the other.
 */
final readonly class HourMeant
{
    /** From this hour on a show or a dinner begins in the evening rather than at night. */
    private const EVENING_FROM = 5;

    /** @var Phrases<mixed> words that say which half of the day is meant */
    private Phrases $halves;

    /** @var Phrases<mixed> */
    private Phrases $evening;

    /** @var Phrases<mixed> */
    private Phrases $morning;

    public function __construct(private Vocabulary $words)
    {
        $this->halves = $words->phrases('calendar', 'day_parts');
        $this->evening = $words->phrases('calendar', 'evening');
        $this->morning = $words->phrases('calendar', 'morning');
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $reading): Reading
    {
        if (
            ! in_array($field->type, [ValueType::Time, ValueType::DateTime], true)
            || ! is_string($reading->value)
            || preg_match('/^(?:(\d{4}-\d\d-\d\d)T)?(\d\d):(\d\d)$/', $reading->value, $m) !== 1
        ) {
            return $reading;
        }
        $hour = (int) $m[2];
        if ($hour < 1 || $hour > 11 || $this->halves->in($heard->tokens) || preg_match('/\d\s*[ap]\.?m|\b0\d[:.]\d\d/i', $heard->original) === 1) {
            return $reading;
        }
        $day = $m[1] !== '' ? $m[1] : $this->day($turn);
        $later = sprintf('%s%02d:%s', $m[1] === '' ? '' : $m[1].'T', $hour + 12, $m[3]);
        if (! $this->inTheEvening($turn) && ! $this->ofAnEvening($turn, $field, $hour) && ! $this->afterItBegins($turn, $field, "{$m[2]}:{$m[3]}") && ! $this->onlyOpenLater($turn, $day, "{$m[2]}:{$m[3]}", sprintf('%02d:%s', $hour + 12, $m[3]))) {
            return $reading;
        }

        return Reading::of($later, $reading->confidence, (string) $reading->said, $reading->start, $reading->end);
    }

    /** Whether the day was told as this evening. */
    private function inTheEvening(Turn $turn): bool
    {
        foreach ($turn->state->values as $key => $held) {
            if ($turn->script->sheet->field($key)?->type !== ValueType::Date) {
                continue;
            }
            // 'Is the hall free on the fourteenth, evening'
            foreach ([$held->said, ...array_filter($turn->state->said, static fn (string $line): bool => $held->said !== '' && str_contains($line, $held->said))] as $line) {
                $tokens = Heard::of($line, $this->words)->tokens;
                if ($this->evening->in($tokens) && ! $this->morning->in($tokens)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** 'Half past seven' of a performance, 'eight' for a table: nobody asks for them in the morning. */
    private function ofAnEvening(Turn $turn, Field $field, int $hour): bool
    {
        ['things' => $things, 'earlier' => $earlier] = $this->words->section('calendar', 'of_evenings');
        $asked = (new Tokenizer)->words(str_replace('_', ' ', $field->key.' '.$field->title.' '.PlainQuestion::thatAsks($turn, $field)));
        $said = (new Tokenizer)->words(implode(' ', $turn->state->said));

        return $hour >= self::EVENING_FROM && array_intersect($asked, $things) !== [] && array_intersect([...$asked, ...$said], $earlier) === [];
    }

    /** 'From seven in the evening until half eleven': what ends does so after it began. */
    private function afterItBegins(Turn $turn, Field $field, string $early): bool
    {
        $begins = null;
        foreach ($turn->state->values as $key => $held) {
            $begins = $key !== $field->key && $turn->script->sheet->field($key)?->type === ValueType::Time && is_string($held->value) ? $held->value : $begins;
        }
        $asked = mb_strtolower(str_replace('_', ' ', $field->key.' '.$field->title.' '.PlainQuestion::thatAsks($turn, $field)));

        return $begins !== null && $early <= $begins && preg_match('/\b(?:until|till|to|end|ends|ending|finish|finishing|leave|back)\b/', $asked) === 1;
    }

    private function day(Turn $turn): ?string
    {
        foreach ($turn->state->values as $key => $held) {
            if ($turn->script->sheet->field($key)?->type === ValueType::Date && is_string($held->value)) {
                return $held->value;
            }
        }

        return null;
    }

    private function onlyOpenLater(Turn $turn, ?string $day, string $early, string $late): bool
    {
        $hours = $turn->script->hours;
        if (! $hours->given() || $day === null) {
            return false;
        }
        $at = static fn (string $clock): bool => $hours->openAt(new \DateTimeImmutable("{$day}T{$clock}"));

        return ! $at($early) && $at($late);
    }
}
