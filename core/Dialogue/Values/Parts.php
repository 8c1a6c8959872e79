<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Moments\BesideTheFirst;
use Ringo\Dialogue\Values\Moments\DayMeant;
use Ringo\Dialogue\Values\Moments\DayNarrowed;
use Ringo\Dialogue\Values\Moments\DayRuledOut;
use Ringo\Language\Token;
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

    /** So few telling words name a town at most. */
    private const NAMES_A_PLACE = 3;

    /** How sure a name is of which only a part was told. */
    private const GIVEN = 0.8;

    private const BEFORE_A_PLACE = ['in', 'near', 'at', 'just', 'the', 'by', 'outside', 'from', 'to', 'over'];

    private const DAY_PART = '/\b(?:in the )?(morning|afternoon|evening)\b/';

    /** Words that an e-mail address has before its 'at', and all of it, where it is told in pieces. */
    private const WORDS_OF_A_LOCAL_PART = 4;

    private const WORDS_OF_AN_ADDRESS = 8;

    /** Words besides figures that a piece of a number may hold. */
    private const MOST_WORDS = 3;

    private BesideTheFirst $first;

    private DayNarrowed $narrowed;

    public function __construct(private Understanding $understanding)
    {
        $this->narrowed = new DayNarrowed($understanding->words);
        $this->first = new BesideTheFirst($understanding, new DayMeant($understanding));
    }

    /**
     * The words read together with what was heard before; alone where they are whole by themselves.
     *
     * @param Reading $alone what the words give by themselves
     */
    public function joined(Turn $turn, Field $field, Heard $words, Reading $alone, Context $context): Reading
    {
        $part = $turn->state->parts[$field->key] ?? null;
        if ($part === null) {
            return $alone;
        }
        if ($field->type === ValueType::PostalAddress) {
            if ($this->understanding->read(ValueType::Phone, $words, $context)->found()) {
                return $alone;
            }
            // 'In Chester', and then '12 Orchard Way'; '12 Orchard Way, Leeds' names its own.
            $names = $alone->found() && preg_match('/, [^,\d]+$/u', (string) $alone->value) === 1;
            $whole = $names ? $alone : $this->understanding->read($field->type, $words->original.', '.$part, $context);

            return $whole->found() ? $this->saidIn($words, $whole) : $alone;
        }
        if ($field->type === ValueType::Date) {
            $one = $this->narrowed->one($part, $words, $context);
            if ($one !== null || $this->narrowed->narrows($part, $words, $context)) {
                return $one ?? Reading::none();
            }
        }
        if ($field->type === ValueType::Duration) {
            // 'A few days', and then 'four'.
            $length = $alone->found() ? $alone : $this->understanding->read($field->type, $words->cleaned().' '.$part, $context);

            return $length->found() ? $this->saidIn($words, $length) : $alone;
        }
        // 'Next week some time', and then 'Tuesday'.
        $week = $field->type === ValueType::Date || $field->type === ValueType::DateTime ? $this->weekOf($part) : '';
        $hour = $field->type === ValueType::Time && preg_match(self::DAY_PART, $part) === 1;
        if ($alone->found() && $week === '' && ! $hour && $this->whole($field, $alone)) {
            return $alone;
        }
        // The one of 'the evening one' is no hour.
        $said = (string) preg_replace('/\b(morning|afternoon|evening|night|early|late|earlier|later|(?:an?|the|that|this)(?: \w+)?) ones?\b/', '$1', $words->cleaned());
        $told = $week === '' ? $part.' '.$said : $this->inWeek($part, $words, $week);
        $joined = $this->understanding->read($field->type, $this->dayPartLast($told), $context);

        // 'He's just turned six' is no surname: what was heard before stands, and the words are left for what else they tell.
        if ($field->type === ValueType::PersonName && ($joined->value === $part || $this->understanding->read(ValueType::Email, $words, $context)->found())) {
            return Reading::of($part, max($joined->confidence, self::GIVEN), '', 0, 0);
        }

        return $joined->found() ? $this->saidIn($words, $joined) : $alone;
    }

    /** The day that was told of a moment whose hour is still to come. */
    public function day(Turn $turn, Field $field, Context $context): ?string
    {
        $part = $field->type === ValueType::DateTime ? $turn->state->parts[$field->key] ?? null : null;

        return $part !== null && $this->understanding->read(ValueType::Date, $part, $context)->found() ? $part : null;
    }

    private function saidIn(Heard $words, Reading $joined): Reading
    {
        return Reading::of($joined->value, $joined->confidence, $words->original, $words->tokens[0]->start ?? 0, strlen($words->original));
    }

    /**
     * Whether the words give only part of the value; what is missing is then asked for.
     *
     * @param Reading $reading what the words gave
     */
    public function missing(Turn $turn, Field $field, Heard $words, Reading $reading, Context $context): bool
    {
        if ($reading->doubt === DayRuledOut::RULED_OUT) {
            $turn->trace->rule("{$field->key}: {$reading->doubt}");
            $turn->standing('which_day_of_those', [], true);

            return true;
        }
        $before = $turn->state->parts[$field->key] ?? null;
        $words = $field->type === ValueType::DateTime ? $this->first->words($turn, $field, $words) ?? $words : $words;
        $ask = match ($field->type) {
            ValueType::Phone, ValueType::Reference => $reading->found() || ! $this->figures($words) ? null : 'go_on',
            ValueType::DateTime => $reading->found() ? null : $this->halfOfMoment($words, $context) ?? $this->someMoments($words, $before),
            ValueType::Email => $reading->found() || ! $this->begunAddress($words) ? null : 'go_on',
            ValueType::Date => $this->restOfADay($words, $reading, $before, $context),
            ValueType::Time => $reading->found() || $before !== null || ! $this->partOfDay($words) ? null : 'what_hour_exactly',
            ValueType::PostalAddress => $reading->found() || $before !== null || ! $this->placeOnly($words, $context) ? null : 'street_too',
            ValueType::PersonName => $before === null && $this->onlyGiven($field, $reading) && ! $this->titled($words, $reading) ? 'surname' : null,
            default => null,
        };
        if ($ask === null) {
            // A day that stands is not lost because the hour was not understood.
            if ($field->type !== ValueType::DateTime || $reading->found()) {
                unset($turn->state->parts[$field->key]);
            }
            // Half a moment later it may go on with 'at example dot com'.
            if ($field->type === ValueType::Email && ! $reading->found() && count($words->tokens) <= self::WORDS_OF_A_LOCAL_PART && $words->tokens !== []) {
                $turn->state->parts[$field->key] = $words->cleaned();
            }

            return false;
        }
        $turn->state->parts[$field->key] = trim(($before ?? '').($field->type === ValueType::Date && $before !== null ? DayNarrowed::NEXT : ' ').match ($field->type) {
            ValueType::PersonName => (string) $reading->value,
            ValueType::DateTime => $this->half($words, $context),
            ValueType::PostalAddress => $this->placeName($words),
            default => $words->cleaned(),
        });
        $turn->trace->rule("{$field->key}: only part of it so far, “{$turn->state->parts[$field->key]}”");
        $turn->standing($ask, [], true);

        return true;
    }

    private function restOfADay(Heard $words, Reading $reading, ?string $before, Context $context): ?string
    {
        return match (true) {
            $reading->found() => null,
            $before !== null => $this->narrowed->narrows($before, $words, $context) ? 'which_day_of_those' : null,
            default => $reading->doubt === 'the year is missing' ? 'which_year' : $this->whichDay($words),
        };
    }

    private function whichDay(Heard $words): ?string
    {
        return match (true) {
            $this->someDays($words) => 'which_day_of_those',
            $this->monthOrYear($words) => 'which_day_exactly',
            default => null,
        };
    }

    /** 'H marsh at example', 'helen dot marsh at': letters and signs of an e-mail address, and little else. */
    private function begunAddress(Heard $words): bool
    {
        $signs = $this->understanding->words->phrases('letters', 'signs_of_an_address')->in($words->tokens);
        $little = array_filter($words->tokens, fn (Token $token): bool => isset($this->understanding->words->set('function_words')[$token->text]) && $token->text !== 'at');

        return $signs && $little === [] && count($words->tokens) <= self::WORDS_OF_AN_ADDRESS;
    }

    /** The week that was spoken of: 'next week'. */
    private function weekOf(string $part): string
    {
        return preg_match('/\b(?:this week|next week|the week after next|week after next)\b/', $part, $m) === 1 ? $m[0] : '';
    }

    /** 'Tuesday at ten' with 'next week' put behind its day. */
    private function inWeek(string $part, Heard $words, string $week): string
    {
        $days = implode('|', array_map(preg_quote(...), array_map(strval(...), array_keys($this->understanding->words->section('calendar', 'weekdays')))));

        // What was told before counts where it names a day itself.
        $before = preg_match("/\\b(?:{$days})\\b/", $part) === 1 ? str_replace($week, '', $part).' ' : '';

        return trim((string) preg_replace("/\\b(?:{$days})\\b/", "$0 {$week}", $before.$words->cleaned(), 1));
    }

    /** 'Wednesday, in the morning' and then 'nine' is nine in the morning. */
    private function dayPartLast(string $told): string
    {
        return preg_match(self::DAY_PART, $told, $m) === 1
            ? trim((string) preg_replace(self::DAY_PART, ' ', $told, 1)).' in the '.$m[1]
            : $told;
    }

    /** The day, or the hour, of what gives only that, with the part of the day: 'Friday would be better, in the morning'. */
    private function half(Heard $words, Context $context): string
    {
        $day = $this->understanding->read(ValueType::Date, $words, $context);
        $half = $day->found() ? $day : $this->understanding->read(ValueType::Time, $words, $context);
        if (! $half->found()) {
            return $words->cleaned();
        }
        $told = mb_strtolower((string) $half->said);
        $part = preg_match(self::DAY_PART, $words->cleaned(), $m) === 1 && preg_match(self::DAY_PART, $told) !== 1 ? ' in the '.$m[1] : '';

        return $told.$part;
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

    /** Whether words tell the day of a moment, which was not told before. */
    public function givesADay(Turn $turn, Field $field, Heard $words, Context $context): bool
    {
        if (isset($turn->state->parts[$field->key])) {
            return false;
        }
        // 'Any afternoon next week' and 'any day before the twentieth' leave open which, and not all.
        $narrows = in_array($field->type, [ValueType::Date, ValueType::DateTime], true) && $this->narrows($words);

        return $narrows || $field->type === ValueType::DateTime && $this->halfOfMoment($words, $context) === 'at_what_time';
    }

    /** Whether a week, a month or a bound is told among which any day will do. */
    private function narrows(Heard $words): bool
    {
        return array_intersect(array_map(static fn (Token $token): string => $token->text, $words->tokens), $this->understanding->words->section('calendar', 'narrows')) !== [];
    }

    private function halfOfMoment(Heard $words, Context $context): ?string
    {
        if ($this->understanding->read(ValueType::Date, $words, $context)->found()) {
            return 'at_what_time';
        }

        return $this->understanding->read(ValueType::Time, $words, $context)->found() ? 'on_which_day' : null;
    }

    /** A town, or a postcode, without the street. */
    private function placeOnly(Heard $words, Context $context): bool
    {
        $reading = $this->understanding->read(ValueType::PostalAddress, $words, $context);

        $little = $this->understanding->words->set('function_words');
        $telling = array_filter($words->tokens, static fn (Token $token): bool => ! isset($little[$token->text]) && $token->text !== 'somewhere');
        $short = $telling !== [] && count($telling) <= self::NAMES_A_PLACE && $this->understanding->words->phrases('acts', 'dont_know')->in($words->tokens) === false;

        $first = $words->tokens[0]->text ?? '';
        $name = isset($this->understanding->words->set('given_names')[$first]) && ! isset($this->understanding->words->set('everyday_words')[$first]);
        $opens = ! isset($little[$first]) || in_array($first, self::BEFORE_A_PLACE, true);
        $figures = array_filter($words->tokens, static fn (Token $token): bool => $token->isDigits());

        return ! $reading->found() && ($reading->doubt === 'that is only part of an address' || $short && $opens && ! $name && $figures === []);
    }

    /** 'Somewhere in Chester, we have not completed yet': Chester. */
    private function placeName(Heard $words): string
    {
        $little = $this->understanding->words->set('function_words');
        $name = [];
        foreach ($words->tokens as $token) {
            if ($name !== [] && $token->afterBreak()) {
                break;
            }
            if ($name !== [] || ! isset($little[$token->text]) && $token->text !== 'somewhere') {
                $name[] = $token->original;
            }
        }

        return implode(' ', $name);
    }

    /** Days to choose from, or the hours of a day that was told before. */
    private function someMoments(Heard $words, ?string $before): ?string
    {
        if ($before === null) {
            return $this->someDays($words) ? 'which_day_of_those' : ($this->partOfDay($words) ? 'on_which_day' : null);
        }

        return $this->partOfDay($words) && ! $this->partOfDay($this->understanding->hear($before)) ? 'what_hour_exactly' : null;
    }

    /** 'Some time next week', 'over Christmas', 'the weekend': days to choose from. */
    private function someDays(Heard $words): bool
    {
        $calendar = $this->understanding->words;

        return $this->narrows($words) || $calendar->phrases('calendar', 'some_days')->in($words->tokens) || $calendar->phrases('calendar', 'feasts')->in($words->tokens) || $calendar->phrases('calendar', 'easter')->in($words->tokens);
    }

    /** 'Teatime', 'in the morning', 'when school is out': hours to choose from. */
    private function partOfDay(Heard $words): bool
    {
        $calendar = $this->understanding->words;

        return $calendar->phrases('calendar', 'vague_times')->in($words->tokens) || $calendar->phrases('calendar', 'some_hours')->in($words->tokens);
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

    /** 'Mrs Ryan' is a surname, whoever is called so too. */
    private function titled(Heard $words, Reading $name): bool
    {
        $before = array_values(array_filter($words->tokens, static fn (Token $token): bool => $token->end <= $name->start));

        return $before !== [] && in_array($before[count($before) - 1]->text, $this->understanding->words->section('names', 'titles'), true);
    }
}
