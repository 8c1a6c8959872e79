<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;

/** Finds the days named in a token list. */
final readonly class DayFinder
{
    /** Up to this many things are commonly counted in order: a bare 'tenth' before a noun need be no day. */
    private const COUNTED_IN_ORDER = 10;

    /** What may follow a bare day of the month. */
    private const AROUND_A_FEAST = ['over', 'around', 'during', 'near', 'throughout'];

    private const BEHIND_A_DAY = ['please', 'at', 'from', 'around', 'about', 'in', 'on', 'if', 'would', 'is', 'for', 'or', 'to', 'and', 'then', 'until', 'till', 'thanks', 'that', "that's", 'thats', 'works', 'will', 'i', 'this', 'next', 'last', 'through', 'should', 'maybe', 'probably', 'first', 'morning', 'afternoon', 'evening', 'but', 'so', 'which', 'a', "it's", 'half', 'quarter', 'ten', 'nine', 'eight', 'noon', 'midday', 'sorry', 'when', 'of', 'was', 'has', 'thank', 'yes', 'yeah', 'no', 'not', 'as', 'with', 'because', 'suits', 'sounds', 'latest', 'before', 'after', 'onwards', 'onward', 'any', 'anytime', 'only', 'could', 'can', 'during', 'late', 'early', 'either', 'too', 'also', 'actually', 'instead', 'mornings', 'afternoons', 'lunchtime', 'without', 'except'];

    /** What is counted in order beyond ten. */
    private const COUNTED = ['floor', 'storey', 'one', 'time', 'street', 'avenue', 'birthday', 'anniversary', 'century', 'hole', 'item', 'edition', 'row', 'unit', 'attempt', 'year', 'grade', 'visit', 'call', 'customer', 'house', 'flat', 'page', 'lesson'];

    /** @var array<string, int> */
    private array $months;

    /** @var array<string, int> */
    private array $weekdays;

    public function __construct(private Vocabulary $words, private Numerals $numerals)
    {
        $this->months = $words->section('calendar', 'months');
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Span> in order, none overlapping
     */
    public function find(array $t, Context $context): array
    {
        $found = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            $hit = $this->at($t, $i, $context);
            if ($hit === null) {
                $i++;

                continue;
            }
            $found[] = new Span($hit[0], $i, $hit[1]);
            $i += $hit[1];
        }

        return $this->joined($found, $t);
    }

    /**
     * 'Tuesday, the fourteenth' and 'the fourteenth, that's a Tuesday' are one day.
     *
     * @param list<Span> $spans
     * @param list<Token> $t
     *
     * @return list<Span>
     */
    private function joined(array $spans, array $t): array
    {
        $out = [];
        foreach ($spans as $span) {
            $last = end($out);
            if ($last !== false && $last->what instanceof Day && $span->what instanceof Day && $this->together($last, $span, $t)) {
                $a = $last->what;
                $b = $span->what;
                array_pop($out);
                $day = new Day(
                    weekday: $a->weekday ?? $b->weekday,
                    which: $a->which !== '' ? $a->which : $b->which,
                    weeks: $a->weeks ?? $b->weeks,
                    day: $a->day ?? $b->day,
                    month: $a->month ?? $b->month,
                    year: $a->year ?? $b->year,
                    months: $a->months ?? $b->months,
                    plus: $a->plus + $b->plus,
                );
                $out[] = new Span($day, $last->from, $span->end() - $last->from);

                continue;
            }
            $out[] = $span;
        }

        return $out;
    }

    /** @param list<Token> $t */
    private function together(Span $a, Span $b, array $t): bool
    {
        $between = array_slice($t, $a->end(), $b->from - $a->end());
        foreach ($between as $token) {
            if (! in_array($token->text, ['the', "that's", 'thats', 'a', 'which', 'is', 'so', 'of', 'in', 'on', 'so', 'i', 'think', 'it', "it's"], true)) {
                return false;
            }
        }
        $first = $a->what;
        $second = $b->what;
        if (! $first instanceof Day || ! $second instanceof Day) {
            return false;
        }
        $parts = static fn (Day $day): array => array_filter(['weekday' => $day->weekday, 'day' => $day->day, 'month' => $day->month, 'year' => $day->year, 'weeks' => $day->weeks], static fn (mixed $part): bool => $part !== null);
        $whole = static fn (Day $day): bool => $day->offset !== null || $day->exact !== null || $day->easter !== null || $day->nth !== null || $day->lastDay;

        return ! $whole($first) && ! $whole($second) && array_intersect_key($parts($first), $parts($second)) === []
            && ! ($first->weeks !== null && $second->day !== null) && count($between) <= 3
            && ($first->which === '' || $first->which === 'this' || $second->weekday === null);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    private function at(array $t, int $i, Context $context): ?array
    {
        return $this->written($t, $i, $context)
            ?? $this->figures($t, $i, $context)
            ?? $this->besideFeast($t, $i, $context)
            ?? $this->counted($t, $i, $context)
            ?? $this->relative($t, $i)
            ?? $this->feast($t, $i)
            ?? $this->nthWeekday($t, $i)
            ?? $this->weekday($t, $i)
            ?? $this->week($t, $i)
            ?? $this->ofMonth($t, $i, $context)
            ?? $this->month($t, $i, $context)
            ?? $this->bareDay($t, $i);
    }

    /**
     * @param list<Token> $t '2026-03-10', '10/03/26', '10.3.2026', '10-03-2026'
     *
     * @return array{Day, int}|null
     */
    private function written(array $t, int $i, Context $context): ?array
    {
        $word = $t[$i]->text;
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $word, $m) === 1) {
            return [new Day(day: (int) $m[3], month: (int) $m[2], year: (int) $m[1]), 1];
        }
        $length = 1;
        if ($t[$i]->isDigits() && isset($t[$i + 2]) && $t[$i + 1]->gap === '-' && $t[$i + 2]->gap === '-' && $t[$i + 1]->isDigits() && $t[$i + 2]->isDigits() && strlen($word) <= 2 && strlen($t[$i + 1]->text) <= 2) {
            $word = $word.'/'.$t[$i + 1]->text.'/'.$t[$i + 2]->text;
            $length = 3;
        }
        if (preg_match('/^(\d{4})[\/.](\d{1,2})[\/.](\d{1,2})$/', $word, $m) === 1) {
            return [new Day(day: (int) $m[3], month: (int) $m[2], year: (int) $m[1]), $length];
        }
        if (preg_match('/^(\d{1,2})\/(\d{1,2})(?:\/(\d{2}|\d{4}))?$/', $word, $m) === 1 || preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{2}|\d{4})$/', $word, $m) === 1) {
            [$day, $month] = $context->monthFirst() ? [(int) $m[2], (int) $m[1]] : [(int) $m[1], (int) $m[2]];
            $year = isset($m[3]) ? $this->fullYear($m[3], $context) : null;

            return [new Day(day: $day, month: $month, year: $year), $length];
        }

        return null;
    }

    /**
     * Figures said one after another: 'oh four oh seven nineteen seventy two'.
     *
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    private function figures(array $t, int $i, Context $context): ?array
    {
        $j = $i;
        $parts = [];
        foreach ([31, 12] as $most) {
            $zero = in_array($t[$j]->text ?? '', ['oh', 'o', 'zero', 'nought'], true) ? 1 : 0;
            $number = isset($t[$j + $zero]) ? $this->numerals->cardinal($t, $j + $zero) : null;
            if ($number === null || ! $number->isWhole() || $number->value < 1 || $number->value > ($context->monthFirst() ? 43 - $most : $most) || $j > $i && $t[$j]->afterBreak() && ! str_contains($t[$j]->gap, ',')) {
                return null;
            }
            $parts[] = $number->whole();
            $j += $zero + $number->length;
        }
        [$year, $length] = $this->year($t, $j, $context->asked && count($t) - $j <= 2, $context);
        if ($year === null) {
            return null;
        }
        [$day, $month] = $context->monthFirst() ? array_reverse($parts) : $parts;

        return [new Day(day: $day, month: $month, year: $year), $j + $length - $i];
    }

    /**
     * 'The Thursday before Easter', 'the Saturday after Christmas'.
     *
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    private function besideFeast(array $t, int $i, Context $context): ?array
    {
        $j = $i + ($t[$i]->text === 'the' ? 1 : 0);
        $weekday = $this->weekdays[$t[$j]->text ?? ''] ?? null;
        $side = $t[$j + 1]->text ?? '';
        if ($weekday === null || ! in_array($side, ['before', 'after'], true) || ! isset($t[$j + 2])) {
            return null;
        }
        $easter = $t[$j + 2]->text === 'easter';
        $feast = $easter ? [new Day(easter: 0), 1] : $this->feast($t, $j + 2);
        $date = $feast === null ? null : $feast[0]->resolve($context->now);
        if ($feast === null || $date === null) {
            return null;
        }
        $step = $side === 'before' ? '-1 day' : '+1 day';
        do {
            $date = $date->modify($step) ?: $date;
        } while ((int) $date->format('N') !== $weekday);

        return [new Day(exact: $date), $j + 2 + $feast[1] - $i];
    }

    /**
     * @param list<Token> $t 'today', 'the day after tomorrow', 'tomorrow week'
     *
     * @return array{Day, int}|null
     */
    private function relative(array $t, int $i): ?array
    {
        $hit = $this->words->phrases('calendar', 'relative')->at($t, $i);
        if ($hit === null || $hit[0] === null) {
            return null;
        }
        [$days, $length] = $hit;
        if (in_array($t[$i]->text, ['now'], true) && ($t[$i - 1]->text ?? '') === 'from') {
            return null;
        }
        $plus = match ($t[$i + $length]->text ?? '') {
            'week' => 7, 'fortnight' => 14, default => 0,
        };

        return [new Day(offset: [$days, 'day'], plus: $plus), $length + ($plus > 0 ? 1 : 0)];
    }

    /**
     * @param list<Token> $t 'in three days', 'a week on Tuesday', 'two weeks today', 'three days ago', 'the day after Christmas'
     *
     * @return array{Day, int}|null
     */
    private function counted(array $t, int $i, Context $context): ?array
    {
        $j = $i;
        $in = in_array($t[$j]->text, ['in', 'within'], true);
        if ($in) {
            $j++;
        }
        if (! $in && $t[$j]->text === 'the' && in_array($t[$j + 1]->text ?? '', ['day', 'week'], true)) {
            $j++;
        }
        $units = $this->words->section('calendar', 'counted');
        $amount = null;
        if (isset($units[$t[$j]->text ?? ''])) {
            $amount = 1.0;
            $unit = $units[$t[$j]->text];
            $bare = true;
            $j++;
        } else {
            $bare = false;
            $article = in_array($t[$j]->text ?? '', ['an', 'a'], true) && isset($units[preg_replace("/'s?$/", '', $t[$j + 1]->text ?? '') ?? '']);
            $number = $article ? null : $this->numerals->at($t, $j);
            if (! $article && $number === null) {
                return null;
            }
            $amount = $article ? 1.0 : $number->value;
            $j += $article ? 1 : $number->length;
            if (($t[$j]->text ?? '') === 'of') {
                $j++;
            }
            if (($t[$j]->text ?? '') === 'full' || ($t[$j]->text ?? '') === 'working' || ($t[$j]->text ?? '') === 'business') {
                return null;
            }
            // "in a week's time"
            $name = preg_replace("/'s?$/", '', $t[$j]->text ?? '') ?? '';
            if (! isset($units[$name])) {
                return $this->weekdaysAgo($t, $i, $j, $amount);
            }
            $unit = $units[$name];
            $j++;
        }
        if ($unit === 'fortnight') {
            $amount *= 2;
            $unit = 'week';
        }
        if ($unit === 'year' && $amount === 0.5) {
            [$amount, $unit] = [6.0, 'month'];
        }
        if (floor($amount) !== $amount || $amount > 3660) {
            return null;
        }
        $days = ['day' => 1, 'week' => 7][$unit] ?? null;
        // A possessive that the recogniser wrote apart: "in two weeks' time".
        if (in_array($t[$j]->text ?? '', ['time', 'times'], true)) {
            return [new Day(offset: [(int) $amount, $unit]), $j + 1 - $i];
        }
        $next = $t[$j]->text ?? '';
        if ($in && $next !== 'and') {
            return [new Day(offset: [(int) $amount, $unit]), $j - $i];
        }
        // 'Years ago' is no day.
        if ($bare && $next === 'ago' && str_ends_with($t[$j - 1]->text, 's')) {
            return null;
        }
        if ($next === 'ago' || ($next === 'back' && ! $bare)) {
            // 'Three weeks ago last Friday' is three weeks before it; 'three weeks ago on Friday' is the Friday of then.
            $joint = in_array($t[$j + 1]->text ?? '', ['last', 'on', 'this', 'the'], true) ? 1 : 0;
            $weekday = $unit === 'week' ? $this->weekdays[$t[$j + 1 + $joint]->text ?? ''] ?? null : null;
            if ($weekday !== null) {
                $weeks = (int) $amount - (in_array($t[$j + 1]->text, ['last', 'this'], true) ? 0 : 1);

                return [new Day(weekday: $weekday, which: 'last', plus: -7 * $weeks), $j + 2 + $joint - $i];
            }

            return [new Day(offset: [-(int) $amount, $unit]), $j + 1 - $i];
        }
        if (in_array($next, ['hence', 'away'], true) && ! $bare) {
            return [new Day(offset: [(int) $amount, $unit]), $j + 1 - $i];
        }
        $back = $next === 'before';
        $joint = in_array($next, ['on', 'from', 'after', 'before', 'past'], true) ? 1 : 0;
        if ($joint === 1 && ($t[$j + 1]->text ?? '') === 'now' && ! $bare) {
            return [new Day(offset: [(int) $amount, $unit]), $j + 2 - $i];
        }
        // 'Any day from Wednesday' begins with Wednesday.
        if ($bare && $joint === 0 && ! in_array($next, ['today', 'tomorrow'], true) || $bare && ($next === 'past' || in_array($t[$i - 1]->text ?? '', ['any', 'every', 'each', 'which', 'whichever', 'what', 'some'], true))) {
            return null;
        }
        if (! isset($t[$j + $joint])) {
            return null;
        }
        // 'After school one day, Wednesday half four'
        if ($joint === 0 && $t[$j]->afterBreak()) {
            return null;
        }
        // 'For a fortnight from Saturday' begins on Saturday.
        $lead = in_array($t[$i - 1]->text ?? '', ['a', 'an'], true) ? $i - 2 : $i - 1;
        if ($next === 'from' && ($t[$lead]->text ?? '') === 'for') {
            return null;
        }
        // 'a week on Tuesday', 'two weeks from the third', 'a week tomorrow', 'three days before Christmas'
        $anchor = $this->relative($t, $j + $joint) ?? $this->feast($t, $j + $joint)
            ?? ($joint === 1 || in_array($next, ['this', 'next'], true) || isset($this->weekdays[$next]) && ! $bare ? $this->weekday($t, $j + $joint) ?? $this->ofMonth($t, $j + $joint, $context) ?? $this->month($t, $j + $joint, $context) : null);
        if ($anchor === null) {
            return null;
        }
        if ($days === null) {
            return $anchor[0]->offset === [0, 'day'] ? [new Day(offset: [(int) $amount, $unit]), $j + $joint + $anchor[1] - $i] : null;
        }
        $parts = get_object_vars($anchor[0]);
        $parts['plus'] += ($back ? -1 : 1) * (int) $amount * $days;

        return [new Day(...$parts), $j + $joint + $anchor[1] - $i];
    }

    /**
     * @param list<Token> $t 'two Fridays ago'
     * @param int $j where the weekday may stand
     *
     * @return array{Day, int}|null
     */
    private function weekdaysAgo(array $t, int $i, int $j, float $amount): ?array
    {
        $word = $t[$j]->text ?? '';
        $weekday = $this->weekdays[$word] ?? $this->weekdays[rtrim($word, 's')] ?? null;
        if ($weekday === null || ($t[$j + 1]->text ?? '') !== 'ago' || floor($amount) !== $amount || $amount < 1 || $amount > 52) {
            return null;
        }

        return [new Day(weekday: $weekday, which: 'last', plus: -7 * ((int) $amount - 1)), $j + 2 - $i];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    private function feast(array $t, int $i): ?array
    {
        $easter = $this->words->phrases('calendar', 'easter')->at($t, $i);
        $feast = $easter === null ? $this->words->phrases('calendar', 'feasts')->at($t, $i) : null;
        // 'Over Christmas' is a time of the year, and no day of it.
        if ($easter === null && $feast === null || in_array($t[$i - 1]->text ?? '', self::AROUND_A_FEAST, true)) {
            return null;
        }
        $length = $easter[1] ?? $feast[1] ?? 0;
        [$year, $more] = $this->year($t, $i + $length, false);
        $day = $easter !== null
            ? new Day(easter: $easter[0], year: $year)
            : new Day(day: $feast[0][1], month: $feast[0][0], year: $year);

        return [$day, $length + $more];
    }

    /**
     * @param list<Token> $t 'the first Monday in March', 'last Friday of next month'
     *
     * @return array{Day, int}|null
     */
    private function nthWeekday(array $t, int $i): ?array
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
     * @param list<Token> $t 'Tuesday', 'next Tuesday', 'Tuesday week', 'Tuesday of next week', 'Tuesday the fourteenth'
     *
     * @return array{Day, int}|null
     */
    private function weekday(array $t, int $i): ?array
    {
        $j = $i;
        $which = '';
        if ($t[$j]->text === 'the') {
            $j++;
        }
        $word = $t[$j]->text ?? '';
        if (in_array($word, ['this', 'next', 'last', 'coming', 'following', 'past'], true)) {
            $which = in_array($word, ['coming', 'following'], true) ? 'this' : ($word === 'past' ? 'last' : $word);
            $j++;
            if (in_array($t[$j]->text ?? '', ['coming', 'past'], true)) {
                $which = $t[$j]->text === 'past' ? 'last' : 'this';
                $j++;
            }
        }
        $weekday = $this->weekdays[$t[$j]->text ?? ''] ?? null;
        if ($weekday === null) {
            return null;
        }
        // 'sat' and 'sun', 'mon', 'wed' as other words
        if ($which === '' && in_array($t[$j]->text, ['sat', 'sun'], true) && in_array($t[$j - 1]->text ?? '', ['i', 'he', 'she', 'the', 'was', "it's"], true)) {
            return null;
        }
        $j++;
        $weeks = null;
        $plus = 0;
        $next = $t[$j]->text ?? '';
        $tail = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $j, 5)));
        if (preg_match('/^(morning|afternoon|evening|night|lunchtime)\b/', $tail, $m) === 1 && $next !== 'night') {
            $tail = substr($tail, strlen($m[0]) + 1);
            $skipped = 1;
        } else {
            $skipped = 0;
        }
        if (preg_match('/^(?:of |in |on )?(?:the )?week after next\b/', $tail, $m) === 1) {
            [$weeks, $j] = [2, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of |in |the )?(?:next|following) week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [1, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of |in )?this week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [0, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of )?last week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [-1, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^after next\b/', $tail) === 1) {
            [$plus, $j] = [7, $j + 2];
        } elseif ($next === 'week' && $which === '') {
            [$plus, $j] = [7, $j + 1];
        } elseif ($next === 'fortnight' && $which === '') {
            [$plus, $j] = [14, $j + 1];
        } elseif ($next === 'coming') {
            [$which, $j] = [$which === '' ? 'this' : $which, $j + 1];
        } elseif ($next === 'next' && ! isset($t[$j + 1])) {
            [$which, $j] = ['next', $j + 1];
        } elseif (in_array($next, ['gone', 'just'], true) && ($next === 'gone' || ($t[$j + 1]->text ?? '') === 'gone')) {
            [$which, $j] = ['last', $j + ($next === 'gone' ? 1 : 2)];
        }

        return [new Day(weekday: $weekday, which: $which, weeks: $weeks, plus: $plus), $j - $i];
    }

    /**
     * @param list<Token> $t 'next week Tuesday', 'the week after next on Tuesday'
     *
     * @return array{Day, int}|null
     */
    private function week(array $t, int $i): ?array
    {
        $line = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $i, 7)));
        if (preg_match('/^(?:the )?(week after next|next week|this week|following week|last week)\b(?: on)?(?: the)?/', $line, $m) !== 1) {
            return null;
        }
        $length = substr_count($m[0], ' ') + 1;
        $weeks = ['week after next' => 2, 'next week' => 1, 'following week' => 1, 'this week' => 0, 'last week' => -1][$m[1]];
        $weekday = $this->weekdays[$t[$i + $length]->text ?? ''] ?? null;
        if ($weekday === null) {
            // Alone it is no day, but it corrects one: 'Tuesday, no, next week'.
            return ! isset($t[$i + $length]) && $length === count($t) ? [new Day(weeks: $weeks), $length] : null;
        }

        return [new Day(weekday: $weekday, weeks: $weeks), $length + 1];
    }

    /**
     * @param list<Token> $t 'the fourteenth of March 2026', '14 March', 'the third of next month', 'the tenth of the third'
     *
     * @return array{Day, int}|null
     */
    private function ofMonth(array $t, int $i, Context $context): ?array
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
            [$year, $more] = $this->year($t, $j, true, $context);

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
                [$year, $more] = $this->year($t, $k + $second->length, true, $context);

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
    private function month(array $t, int $i, Context $context): ?array
    {
        $month = $this->months[$t[$i]->text] ?? null;
        if ($month === null) {
            return null;
        }
        $j = $i + 1;
        if (($t[$j]->text ?? '') === 'the') {
            $j++;
        }
        $number = isset($t[$j]) ? $this->numerals->ordinal($t, $j) ?? $this->dayNumber($t, $j) : null;
        if ($number !== null && ! (isset($t[$j + $number->length]) && in_array($t[$j + $number->length]->text, ['am', 'pm', "o'clock"], true))) {
            $j += $number->length;
            [$year, $more] = $this->year($t, $j, true, $context);

            return [new Day(day: $number->whole(), month: $month, year: $year), $j + $more - $i];
        }
        if (! $this->maybe($t, $i, false)) {
            return null;
        }
        [$year, $more] = $this->year($t, $i + 1, true, $context);

        return [new Day(month: $month, year: $year), 1 + $more];
    }

    /**
     * @param list<Token> $t 'the fourteenth', '14th', 'the 14'
     *
     * @return array{Day, int}|null
     */
    private function bareDay(array $t, int $i): ?array
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

            return $blocked ? null : [new Day(day: $number->whole()), $the + $number->length];
        }
        if ($the === 1 && ($t[$i + 1]->text ?? '') !== 'one' && ($number = isset($t[$i + 1]) ? $this->dayNumber($t, $i + 1) : null) !== null && (! isset($t[$i + 1 + $number->length]) || $t[$i + 1 + $number->length]->afterBreak() || in_array($t[$i + 1 + $number->length]->text, ['please', 'at', 'if'], true))) {
            return [new Day(day: $number->whole()), 1 + $number->length];
        }

        return null;
    }

    /** @param list<Token> $t a whole number from 1 to 31 */
    private function dayNumber(array $t, int $j): ?\Ringo\Understanding\Numeral
    {
        $number = $this->numerals->cardinal($t, $j);
        if ($number === null || ! $number->isWhole() || $number->value < 1 || $number->value > 31 || str_contains($t[$j]->text, '.')) {
            return null;
        }

        return $number;
    }

    /**
     * A year at a place: '2026', 'twenty twenty six', 'nineteen eighty five', 'two thousand and one', and after a month also '85'.
     *
     * @param list<Token> $t
     *
     * @return array{?int, int}
     */
    private function year(array $t, int $j, bool $short, ?Context $context = null): array
    {
        $skip = in_array($t[$j]->text ?? '', ['in', 'of'], true) ? 1 : 0;
        $j += $skip;
        if (! isset($t[$j])) {
            return [null, 0];
        }
        if ($t[$j]->text === 'this' && ($t[$j + 1]->text ?? '') === 'year' && $context !== null) {
            return [(int) $context->now->format('Y'), $skip + 2];
        }
        if (in_array($t[$j]->text, ['next', 'last'], true) && ($t[$j + 1]->text ?? '') === 'year' && $context !== null) {
            return [(int) $context->now->format('Y') + ($t[$j]->text === 'next' ? 1 : -1), $skip + 2];
        }
        [$chunks, , $written] = $this->numerals->chunks($t, $j);
        if ($chunks === []) {
            return [null, 0];
        }
        $first = $this->numerals->cardinal($t, $j);
        $firstLength = $first->length ?? 1;
        $after = $t[$j + $firstLength]->text ?? '';
        if ($chunks[0] >= 1900 && $chunks[0] <= 2100 && ! in_array($after, ['hours', 'hundred'], true)) {
            return [$chunks[0], $skip + $firstLength];
        }
        if (isset($chunks[1]) && in_array($chunks[0], [19, 20], true) && $chunks[1] >= 10 && $chunks[1] <= 99) {
            $second = $this->numerals->cardinal($t, $j + $firstLength);

            return [$chunks[0] * 100 + $chunks[1], $skip + $firstLength + ($second->length ?? 1)];
        }
        // 'The first of June, oh five'
        if (
            $short
            && $skip === 0
            && $context !== null
            && $chunks[0] === 0
            && isset($chunks[1])
            && $chunks[1] >= 1
            && $chunks[1] <= 9
            && ! $t[$j]->isDigits()
            && ! isset($t[$j + 2])
        ) {
            return [$this->fullYear('0'.$chunks[1], $context), 2];
        }
        // 'nineteen oh five', 'twenty oh five'
        if (isset($chunks[2]) && in_array($chunks[0], [19, 20], true) && $chunks[1] === 0 && $chunks[2] < 10) {
            return [$chunks[0] * 100 + $chunks[2], $skip + 3];
        }
        if ($short && $skip === 0 && $context !== null && (strlen($written[0]) === 2 && $t[$j]->isDigits() || $chunks[0] >= 32 && $chunks[0] <= 99) && ! in_array($after, ['am', 'pm', "o'clock", 'oclock', 'minutes', 'people', ':'], true) && (! $t[$j]->isDigits() || count($chunks) === 1)) {
            if ($t[$j]->isDigits() && $chunks[0] < 32 && (isset($t[$j + 1]) || ! str_starts_with($t[$j]->text, '0') && $chunks[0] < 20)) {
                return [null, 0];
            }

            return [$this->fullYear(sprintf('%02d', $chunks[0]), $context), $firstLength];
        }

        return [null, 0];
    }

    private function fullYear(string $digits, Context $context): int
    {
        if (strlen($digits) === 4) {
            return (int) $digits;
        }
        $century = intdiv((int) $context->now->format('Y'), 100) * 100;
        $year = $century + (int) $digits;

        return $year > (int) $context->now->format('Y') + 10 ? $year - 100 : $year;
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
