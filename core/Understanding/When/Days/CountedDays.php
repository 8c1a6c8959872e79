<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Day;

/** Days counted from today or from another: 'in three days', 'a week on Tuesday', 'two Fridays ago', 'the day after Christmas', 'tomorrow'. */
final readonly class CountedDays
{
    private const DAYS_OF_A_WEEK = 7;

    /** @var array<string, int> */
    private array $weekdays;

    public function __construct(private Vocabulary $words, private Numerals $numerals, private Feasts $feasts, private MonthDays $ofMonth, private WeekDays $week)
    {
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t 'today', 'the day after tomorrow', 'tomorrow week'
     *
     * @return array{Day, int}|null
     */
    public function relative(array $t, int $i): ?array
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
    public function counted(array $t, int $i, Context $context): ?array
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
        $beside = $this->weeksAgo($unit, $amount, $t, $j, $i);
        if ($beside !== null) {
            return $beside;
        }
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
        // 'After school one day, Wednesday half four', 'for the day, on the tenth'; nobody counts from a day by 'a day on'.
        if ($joint === 0 && $t[$j]->afterBreak() || $t[$j]->afterSentence() || $next === 'on' && $unit === 'day') {
            return null;
        }
        // 'For a fortnight from Saturday' begins on Saturday.
        $lead = in_array($t[$i - 1]->text ?? '', ['a', 'an'], true) ? $i - 2 : $i - 1;
        if ($next === 'from' && ($t[$lead]->text ?? '') === 'for') {
            return null;
        }
        // 'a week on Tuesday', 'two weeks from the third', 'a week tomorrow', 'three days before Christmas'
        $anchor = $this->relative($t, $j + $joint) ?? $this->feasts->feast($t, $j + $joint)
            ?? ($joint === 1 || in_array($next, ['this', 'next'], true) || isset($this->weekdays[$next]) && ! $bare ? $this->week->weekday($t, $j + $joint) ?? $this->ofMonth->ofMonth($t, $j + $joint, $context) ?? $this->ofMonth->month($t, $j + $joint, $context) : null);
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
     * @param list<Token> $t 'a week ago yesterday', 'a month ago today', and 'a week yesterday' and 'a week last Friday', which were as well
     *
     * @return array{Day, int}|null
     */
    private function weeksAgo(string $unit, float|int $amount, array $t, int $at, int $from): ?array
    {
        $ago = ($t[$at]->text ?? '') === 'ago';
        $day = $t[$at + ($ago ? 1 : 0)]->text ?? '';
        $apart = ['yesterday' => -1] + ($ago ? ['today' => 0, 'tomorrow' => 1] : []);
        if (! isset($t[$at]) || $t[$at]->afterBreak()) {
            return null;
        }
        if ($ago && $day === 'today') {
            return [new Day(offset: [-(int) $amount, $unit]), $at + 2 - $from];
        }
        $weekday = $unit === 'week' && $day === 'last' ? $this->weekdays[$t[$at + 1]->text ?? ''] ?? null : null;
        if ($weekday !== null && ! $ago) {
            return [new Day(weekday: $weekday, which: 'last', plus: -self::DAYS_OF_A_WEEK * (int) $amount), $at + 2 - $from];
        }
        if ($unit !== 'week' || ! isset($apart[$day])) {
            return null;
        }

        return [new Day(offset: [$apart[$day] - self::DAYS_OF_A_WEEK * (int) $amount, 'day']), $at + ($ago ? 2 : 1) - $from];
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
}
