<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Days\MonthEnd;
use Ringo\Value\ValueType;

/**
 * Days that are only whole with what was said before them: 'a fortnight later' and 'two weeks' after the day something begins, 'the
 * Sunday' on which it ends, and 'the third' where the month was told on its own: 'we are away in August'.
 */
final readonly class DayMeant
{
    /** How sure a day is that is reckoned from another. */
    private const RECKONED = 0.85;

    /** Nothing that is asked for in days or nights is longer. */
    private const MOST_DAYS = 92;

    /** The part of a reply that a length of time must be to stand for the day it ends on. */
    private const WHOLE = 0.8;

    /** A month, or figures, beside the day. */
    private const A_DATE = '/\b(?:jan|feb|march|apr|may|june|july|aug|sep|oct|nov|dec)|\d[\/.-]\d/i';

    private Shift $shift;

    private Vocabulary $words;

    public function __construct(private Understanding $understanding)
    {
        $this->words = $understanding->words;
        $this->shift = new Shift($this->words);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        if (! in_array($field->type, [ValueType::Date, ValueType::DateTime], true)) {
            return $reading;
        }
        // 'Same day as last time' is not today.
        if ($reading->found() && preg_match('/\bsame (?:day|time) as\b/i', $heard->original) === 1) {
            return Reading::none('that points at another day');
        }
        if ($context->past) {
            // 'The week before Christmas', of what has been.
            $ahead = is_string($reading->value) && substr($reading->value, 0, 10) > $context->now->format('Y-m-d') && preg_match('/\d{4}/', (string) $reading->said) !== 1;

            return $ahead ? Reading::of((new \DateTimeImmutable($reading->value))->modify('-1 year')->format($field->type === ValueType::Date ? 'Y-m-d' : 'Y-m-d\TH:i'), min($reading->confidence, self::RECKONED), (string) $reading->said, $reading->start, $reading->end) : $reading;
        }
        if (is_string($reading->value) && $this->behindWhatIsAhead($turn, $field, $reading->value, $context)) {
            return Reading::none('that day has been, and one to come is asked for');
        }
        $begins = $this->begins($turn, $field);
        if ($begins !== null && $field->type === ValueType::Date) {
            // 'The eighth of January, my husband is back the night before' names its day.
            $named = is_string($reading->value) && preg_match(self::A_DATE, (string) $reading->said) === 1;
            $reckoned = ($named ? null : $this->shift->from($field, $begins->format('Y-m-d'), $heard)) ?? ($reading->found() ? null : $this->ends($turn, $field, $begins, $heard, $context));
            if ($reckoned !== null) {
                return $reckoned;
            }
        }
        // 'The twenty fifth at ten' comes after the twenty third of January.
        if ($begins !== null && is_string($reading->value) && $reading->value < $begins->format('Y-m-d') && preg_match(self::A_DATE, (string) $reading->said) !== 1 && $this->asksForAnEnd($turn, $field)) {
            return $this->again($field, $heard, $context->at($begins->setTime(0, 0))) ?? $reading;
        }
        if (! is_string($reading->value) || ! $this->isBare($heard, $reading)) {
            return $reading;
        }
        if ($begins !== null && $begins > $context->now && $this->asksForAnEnd($turn, $field)) {
            return $this->again($field, $heard, $context->at($begins->setTime(12, 0))) ?? $reading;
        }
        $month = $this->isOrdinal($reading) ? $this->monthToldAlone($turn, $context->now) : null;

        return $month === null ? $reading : $this->again($field, $heard, $context->at($month)) ?? $reading;
    }

    /** 'She was born last Tuesday' is not the day somebody has in mind. */
    public function behindWhatIsAhead(Turn $turn, Field $field, string $day, Context $context): bool
    {
        $question = PlainQuestion::thatAsks($turn, $field);
        $ahead = array_diff($this->words->section('questions', 'ahead'), ['last', 'after', 'could', 'like']);

        return ! $context->past && substr($day, 0, 10) < $context->now->format('Y-m-d') && array_intersect((new Tokenizer)->words($question), $ahead) !== [];
    }

    /** 'Till Friday' to how many nights, from the day something begins on. */
    public function length(Turn $turn, Field $field, Heard $heard, Context $context): Reading
    {
        $begins = in_array($field->type, [ValueType::Duration, ValueType::Number], true) ? $this->begins($turn, $field) : null;
        if ($begins === null) {
            return Reading::none();
        }
        $at = $context->at($begins->setTime(12, 0));
        $end = $this->understanding->read(ValueType::Date, $heard, $at);
        // 'Till the end of the month': what leaves a day open tells a length.
        $bare = $heard->only(array_values(array_filter($heard->tokens, static fn (Token $token): bool => ! in_array($token->text, ['till', 'until'], true))));
        $end = $end->found() ? $end : (new MonthEnd($this->words))->reading($bare, $at) ?? $end;
        $days = is_string($end->value) ? (int) $begins->setTime(0, 0)->diff(new \DateTimeImmutable($end->value, $begins->getTimezone()))->format('%r%a') : 0;

        return $days < 1 || $days > self::MOST_DAYS ? Reading::none() : Reading::of("P{$days}D", self::RECKONED, (string) $end->said, $end->start, $end->end);
    }

    /** The day that was told last in this call for another field, where it is not over. */
    public function begins(Turn $turn, Field $field): ?\DateTimeImmutable
    {
        $last = null;
        foreach ($turn->state->values as $key => $held) {
            $type = $turn->script->sheet->field($key)?->type;
            $told = $key !== $field->key && $held->origin !== Origin::Recognised && in_array($type, [ValueType::Date, ValueType::DateTime], true);
            if ($told && is_string($held->value) && ($last === null || ($held->turn ?? 0) >= ($last->turn ?? 0))) {
                $last = $held;
            }
        }

        $now = $turn->scope()->now;
        $day = $last === null ? null : new \DateTimeImmutable((string) $last->value, $now->getTimezone());

        // Nothing that is to come is reckoned from a day of birth.
        return $day === null || $day->format('Y-m-d') < $now->format('Y-m-d') ? null : $day;
    }

    /** 'Two weeks' or 'ten nights', said of when it ends. */
    private function ends(Turn $turn, Field $field, \DateTimeImmutable $begins, Heard $heard, Context $context): ?Reading
    {
        if (! $this->asksForAnEnd($turn, $field)) {
            return null;
        }
        $length = $this->understanding->read(ValueType::Duration, $heard, $context);
        if (! is_string($length->value) || preg_match('/^P[1-9]\d*[DWM]$/', $length->value) !== 1 || $heard->explained($length->start, $length->end, $this->words) < self::WHOLE) {
            return null;
        }

        return Reading::of($begins->add(new \DateInterval($length->value))->format('Y-m-d'), self::RECKONED, (string) $length->said, $length->start, $length->end);
    }

    public function asksForAnEnd(Turn $turn, Field $field): bool
    {
        $prompt = $turn->asking($field->key)?->prompt->variants[0] ?? '';
        $asked = $this->understanding->hear(PlainQuestion::last($prompt).' '.str_replace('_', ' ', $field->key).' '.$field->title);

        return $this->words->phrases('questions', 'of_an_end')->in($asked->all);
    }

    /** Whether nothing of a day was said but its number or its weekday: what else is said beside it tells which one is meant. */
    private function isBare(Heard $heard, Reading $reading): bool
    {
        $weekdays = $this->words->section('calendar', 'weekdays');
        $said = array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $reading->start && $token->end <= $reading->end && $token->text !== 'the');
        $day = array_values(array_filter($said, static fn (Token $token): bool => isset($weekdays[$token->text])));

        return count($said) <= 1 && count($day) === count($said) || $this->isOrdinal($reading);
    }

    /** 'Second' alone may be a floor; 'on the second' is a day. */
    public function isLoneOrdinal(Heard $heard, Reading $reading): bool
    {
        return $reading->found() && $this->isOrdinal($reading) && $heard->explained($reading->start, $reading->end, $this->words) >= 1.0
            && ! in_array($heard->tokens[0]->text ?? '', ['on', 'from', 'by', 'until', 'till', 'for', 'since', 'after', 'before'], true);
    }

    private function isOrdinal(Reading $reading): bool
    {
        return preg_match('/^(?:the )?(?:\d{1,2}(?:st|nd|rd|th)|[a-z]+(?:st|nd|rd|th)|(?:twenty|thirty)[ -][a-z]+(?:st|nd|rd|th))$/i', trim((string) $reading->said)) === 1;
    }

    /** The first of the month that was told on its own before: 'in August'. */
    private function monthToldAlone(Turn $turn, \DateTimeImmutable $now): ?\DateTimeImmutable
    {
        $months = $this->words->section('calendar', 'months');
        foreach (array_reverse($turn->state->said) as $line) {
            $tokens = $this->understanding->hear($line)->tokens;
            foreach ($tokens as $i => $token) {
                $month = $months[$token->text] ?? null;
                if (! is_int($month) || ! in_array($tokens[$i - 1]->text ?? '', ['in', 'during', 'of', 'for', 'next', 'this'], true)) {
                    continue;
                }
                if ($this->understanding->read(ValueType::Date, $line, new Context($now))->found()) {
                    return null;
                }
                $first = $now->setDate((int) $now->format('Y'), $month, 1)->setTime(0, 0);

                return $first->modify('last day of this month') < $now ? $first->modify('+1 year') : $first->modify('-1 day');
            }
        }

        return null;
    }

    private function again(Field $field, Heard $heard, Context $context): ?Reading
    {
        $reading = $this->understanding->read($field->type, $heard, $context);

        return $reading->found() ? $reading : null;
    }
}
