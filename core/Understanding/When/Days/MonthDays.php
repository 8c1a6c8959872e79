<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numeral;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Day;

/** Days of a month: 'the fourteenth of March', 'the second Tuesday in May', 'March the first', 'the fourteenth'. */
final readonly class MonthDays
{
    /** Up to this many things are commonly counted in order: a bare 'tenth' before a noun need be no day. */
    private const COUNTED_IN_ORDER = 10;

    /** What may follow a bare day of the month. */
    private const BEHIND_A_DAY = ['please', 'at', 'from', 'around', 'about', 'in', 'on', 'if', 'would', 'is', 'for', 'or', 'to', 'and', 'then', 'until', 'till', 'thanks', 'that', "that's", 'thats', 'works', 'will', 'i', 'this', 'next', 'last', 'through', 'should', 'maybe', 'probably', 'first', 'morning', 'afternoon', 'evening', 'but', 'so', 'which', 'a', "it's", 'half', 'quarter', 'ten', 'nine', 'eight', 'noon', 'midday', 'sorry', 'when', 'of', 'was', 'has', 'thank', 'yes', 'yeah', 'no', 'not', 'as', 'with', 'because', 'suits', 'sounds', 'latest', 'before', 'after', 'onwards', 'onward', 'any', 'anytime', 'only', 'could', 'can', 'during', 'late', 'early', 'either', 'too', 'also', 'actually', 'instead', 'mornings', 'afternoons', 'lunchtime', 'without', 'except'];

    /** What is counted in order beyond ten. */
    private const COUNTED = ['floor', 'storey', 'one', 'time', 'street', 'avenue', 'birthday', 'anniversary', 'century', 'hole', 'item', 'edition', 'row', 'unit', 'attempt', 'year', 'grade', 'visit', 'call', 'customer', 'house', 'flat', 'page', 'lesson'];

    /** @var array<string, int> */
    private array $months;

    /** @var array<string, int> */
    private array $weekdays;

    public function __construct(private Vocabulary $words, private Numerals $numerals, private Years $years)
    {
        $this->months = $words->section('calendar', 'months');
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t 'the first Monday in March', 'last Friday of next month'
     *
     * @return array{Day, int}|null
     */
    public function nthWeekday(array $t, int $i): ?array
    {
        $j = $i + ($t[$i]->text === 'the' ? 1 : 0);
        $nth = $this->numerals->ordinal($t, $j);
        $last = ($t[$j]->text ?? '') === 'last';
        if (($nth === null || $nth->value > 5) && ! $last) {
            return null;
        }
        $j += $nth->length ?? 1;
        if ($last && ($t[$j]->text ?? '') === 'day') {
            $month = $this->whichMonth($t, $j + 1);

            return $month === null ? null : [new Day(month: $month[0], months: $month[1], lastDay: true), $j + 1 + $month[2] - $i];
        }
        $weekday = $this->weekdays[$t[$j]->text ?? ''] ?? null;
        $month = $weekday === null ? null : $this->whichMonth($t, $j + 1);
        if ($month === null) {
            return null;
        }

        return [new Day(weekday: $weekday, nth: $last ? -1 : $nth?->whole(), month: $month[0], months: $month[1]), $j + 1 + $month[2] - $i];
    }

    /**
     * @param list<Token> $t 'of March', 'in next month', 'of the month'
     *
     * @return array{?int, ?int, int}|null month, months ahead, tokens
     */
    private function whichMonth(array $t, int $j): ?array
    {
        if (! in_array($t[$j]->text ?? '', ['of', 'in'], true)) {
            return null;
        }
        $one = $t[$j + 1]->text ?? '';
        $two = $t[$j + 2]->text ?? '';

        return match (true) {
            isset($this->months[$one]) => [$this->months[$one], null, 2],
            in_array($one, ['the', 'this'], true) && $two === 'month' => [null, 0, 3],
            $one === 'next' && $two === 'month' => [null, 1, 3],
            $one === 'the' && $two === 'following' && ($t[$j + 3]->text ?? '') === 'month' => [null, 1, 4],
            default => null,
        };
    }

    /**
     * @param list<Token> $t 'the fourteenth of March 2026', '14 March', 'the third of next month', 'the tenth of the third'
     *
     * @return array{Day, int}|null
     */
    public function ofMonth(array $t, int $i, Context $context): ?array
    {
        $j = $i + ($t[$i]->text === 'the' ? 1 : 0);
        $ordinal = isset($t[$j]) ? $this->numerals->ordinal($t, $j) : null;
        $number = $ordinal ?? (isset($t[$j]) ? $this->dayNumber($t, $j) : null);
        if ($number === null) {
            return null;
        }
        $j += $number->length;
        if (in_array($t[$j]->text ?? '', ['day'], true)) {
            $j++;
        }
        $of = ($t[$j]->text ?? '') === 'of';
        $month = $this->months[$t[$j + ($of ? 1 : 0)]->text ?? ''] ?? null;
        if ($month !== null && ! $this->maybe($t, $j + ($of ? 1 : 0), $of || $ordinal !== null)) {
            $month = null;
        }
        if ($month !== null) {
            $j += ($of ? 1 : 0) + 1;
            [$year, $more] = $this->years->year($t, $j, true, $context);

            return [new Day(day: $number->whole(), month: $month, year: $year), $j + $more - $i];
        }
        if ($ordinal === null) {
            return null;
        }
        $which = $this->whichMonth($t, $j);
        if ($which !== null) {
            // 'The first of the month' is the next one to come; 'of this month' is this one.
            $months = ($t[$j + 1]->text ?? '') === 'the' && $which[2] === 3 ? null : $which[1];

            return [new Day(day: $number->whole(), months: $months), $j + $which[2] - $i];
        }
        if ($of) {
            // 'the tenth of the third'
            $k = $j + 1 + (($t[$j + 1]->text ?? '') === 'the' ? 1 : 0);
            $second = isset($t[$k]) ? $this->numerals->ordinal($t, $k) ?? $this->dayNumber($t, $k) : null;
            if ($second !== null && $second->value <= 12 && ! isset($this->weekdays[$t[$k + $second->length]->text ?? ''])) {
                [$year, $more] = $this->years->year($t, $k + $second->length, true, $context);

                return [new Day(day: $number->whole(), month: $second->whole(), year: $year), $k + $second->length + $more - $i];
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t 'March the fourteenth', 'March 14 2026', or the month alone
     *
     * @return array{Day, int}|null
     */
    public function month(array $t, int $i, Context $context): ?array
    {
        $month = $this->months[$t[$i]->text] ?? null;
        if ($month === null) {
            return null;
        }
        $j = $i + 1;
        if (($t[$j]->text ?? '') === 'the') {
            $j++;
        }
        $spoken = $j === $i + 1 ? $this->spokenYear($t, $j) : null;
        if ($spoken !== null) {
            return [new Day(month: $month, year: $spoken[0]), 1 + $spoken[1]];
        }
        $number = isset($t[$j]) ? $this->numerals->ordinal($t, $j) ?? $this->dayNumber($t, $j) : null;
        if ($number !== null && ! (isset($t[$j + $number->length]) && in_array($t[$j + $number->length]->text, ['am', 'pm', "o'clock"], true))) {
            $j += $number->length;
            [$year, $more] = $this->years->year($t, $j, true, $context);

            return [new Day(day: $number->whole(), month: $month, year: $year), $j + $more - $i];
        }
        if (! $this->maybe($t, $i, false)) {
            return null;
        }
        [$year, $more] = $this->years->year($t, $i + 1, true, $context);

        return [new Day(month: $month, year: $year), 1 + $more];
    }

    /**
     * 'March twenty fifteen' is a month of that year, and no twentieth; 'March twenty, twenty fifteen' and 'March twenty, ten o'clock' are days.
     *
     * @param list<Token> $t
     *
     * @return array{int, int}|null the year, and how many words say it
     */
    private function spokenYear(array $t, int $j): ?array
    {
        if (! isset($t[$j], $t[$j + 1]) || $t[$j]->isDigits() || $t[$j]->afterBreak() || $t[$j + 1]->afterBreak()) {
            return null;
        }
        [$year, $length] = $this->years->year($t, $j, false);
        $next = $t[$j + $length] ?? null;
        $goesOn = $next !== null && (in_array($next->text, ['am', 'pm', "o'clock"], true) || $this->numerals->cardinal($t, $j + $length) !== null);

        return $year === null || $length < 2 || $goesOn ? null : [$year, $length];
    }

    /**
     * @param list<Token> $t 'the fourteenth', '14th', 'the 14'
     *
     * @return array{Day, int}|null
     */
    public function bareDay(array $t, int $i): ?array
    {
        $the = $t[$i]->text === 'the' ? 1 : 0;
        $number = isset($t[$i + $the]) ? $this->numerals->ordinal($t, $i + $the) : null;
        if ($number !== null && $number->value >= 1 && $number->value <= 31) {
            $next = $t[$i + $the + $number->length] ?? null;
            // 'the first one', 'the second floor', 'first thing', 'third party', 'first name'; above ten few things are counted in order
            $blocked = $next !== null && ! $next->afterBreak() && ! $next->isDigits() && ($number->value <= self::COUNTED_IN_ORDER ? ! in_array($next->text, self::BEHIND_A_DAY, true) : in_array($next->text, self::COUNTED, true));
            if ($the === 0 && ! preg_match('/^\d/', $t[$i]->text) && $number->value <= 3 && count($t) > 1 && ! in_array($t[$i - 1]->text ?? '', ['on', 'the'], true)) {
                $blocked = true;
            }

            // 'The first of those' picks one of several.
            $picks = $next?->text === 'of' && in_array($t[$i + $the + $number->length + 1]->text ?? '', ['those', 'these', 'them'], true);

            return $blocked || $picks ? null : [new Day(day: $number->whole()), $the + $number->length];
        }
        if ($the === 1 && ($t[$i + 1]->text ?? '') !== 'one' && ($number = isset($t[$i + 1]) ? $this->dayNumber($t, $i + 1) : null) !== null && (! isset($t[$i + 1 + $number->length]) || $t[$i + 1 + $number->length]->afterBreak() || in_array($t[$i + 1 + $number->length]->text, ['please', 'at', 'if'], true))) {
            return [new Day(day: $number->whole()), 1 + $number->length];
        }

        return null;
    }

    /** @param list<Token> $t a whole number from 1 to 31 */
    private function dayNumber(array $t, int $j): ?Numeral
    {
        $number = $this->numerals->cardinal($t, $j);
        if ($number === null || ! $number->isWhole() || $number->value < 1 || $number->value > 31 || str_contains($t[$j]->text, '.')) {
            return null;
        }

        return $number;
    }

    /** @param list<Token> $t 'may' and 'march' are months only where they stand like one */
    private function maybe(array $t, int $i, bool $dated): bool
    {
        $word = $t[$i]->text;
        if ($dated || ! in_array($word, ['may', 'march', 'mar', 'dec', 'jan', 'second'], true)) {
            return true;
        }
        if ($word !== 'may') {
            return true;
        }
        $before = $t[$i - 1]->text ?? '';

        return count($t) === 1 || in_array($before, ['in', 'of', 'early', 'late', 'next', 'this', 'until', 'till', 'by', 'mid', 'end'], true) || $t[$i]->original === 'May' && $i > 0;
    }
}
