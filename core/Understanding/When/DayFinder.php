<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Days\CountedDays;
use Ringo\Understanding\When\Days\Feasts;
use Ringo\Understanding\When\Days\MonthDays;
use Ringo\Understanding\When\Days\WeekDays;
use Ringo\Understanding\When\Days\WrittenDays;
use Ringo\Understanding\When\Days\Years;

/** Finds the days named in a token list. */
final readonly class DayFinder
{
    private WrittenDays $written;

    private Feasts $feasts;

    private MonthDays $ofMonth;

    private CountedDays $counted;

    private WeekDays $week;

    public function __construct(Vocabulary $words, Numerals $numerals)
    {
        $years = new Years($numerals);
        $this->written = new WrittenDays($numerals, $years);
        $this->feasts = new Feasts($words, $years);
        $this->ofMonth = new MonthDays($words, $numerals, $years);
        $this->week = new WeekDays($words);
        $this->counted = new CountedDays($words, $numerals, $this->feasts, $this->ofMonth, $this->week);
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
        return $this->written->written($t, $i, $context)
            ?? $this->written->figures($t, $i, $context)
            ?? $this->feasts->besideFeast($t, $i, $context)
            ?? $this->counted->counted($t, $i, $context)
            ?? $this->counted->relative($t, $i)
            ?? $this->feasts->feast($t, $i)
            ?? $this->ofMonth->nthWeekday($t, $i)
            ?? $this->week->weekday($t, $i)
            ?? $this->week->week($t, $i)
            ?? $this->ofMonth->ofMonth($t, $i, $context)
            ?? $this->ofMonth->month($t, $i, $context)
            ?? $this->ofMonth->bareDay($t, $i);
    }
}
