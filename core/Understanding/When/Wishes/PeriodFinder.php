<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Day;
use Ringo\Understanding\When\Span;

/** Finds stretches of days: the end of the month, early next week, Easter, within three days, the week of the ninth. */
final readonly class PeriodFinder
{
    /** Days of a month that are its beginning, or its end. */
    private const EDGE = 5;

    /** @var array<string, Phrases<string>> */
    private array $parts;

    /** @param Phrases<array{string, mixed}> $turns */
    public function __construct(private Vocabulary $words, private Numerals $numerals, private Phrases $turns)
    {
        $parts = [];
        foreach (['begins', 'middles', 'first_halves', 'halves', 'ends', 'rest', 'week_of', 'within'] as $part) {
            $parts[$part] = $words->phrases('wishes', $part);
        }
        $this->parts = $parts;
    }

    /**
     * 'End of the month', 'early next week', 'the rest of this week'.
     *
     * @param list<Token> $t
     */
    public function at(array $t, int $i, Context $context): ?Item
    {
        $feast = $this->feast($t, $i, $context) ?? $this->weekOfMonth($t, $i, $context) ?? $this->within($t, $i, $context);
        if ($feast !== null) {
            return $feast;
        }
        foreach (['first_halves', 'begins', 'middles', 'halves', 'ends', 'rest'] as $part) {
            $hit = $this->parts[$part]->at($t, $i);
            if ($hit === null) {
                continue;
            }
            $at = $i + $hit[1];
            $whole = $this->whole($t, $at, $context);
            if ($whole !== null) {
                // 'Before the end of the month' is while it lasts.
                $ends = $part === 'ends' && in_array('before', [$t[$i - 1]->text ?? '', $t[$i - 2]->text ?? ''], true) ? (new \DateTimeImmutable($whole[0][1]))->modify('+1 day')->format('Y-m-d') : null;

                $dates = $ends === null ? $this->portion($whole[0], $part, $context) : [$ends, $ends];

                return new Item(Item::PERIOD, $dates, $i, $whole[1], portion: $ends === null && $part !== 'rest' && $this->unnamed($t, $at) ? $part : null);
            }
        }

        return $this->ofWhatIsSpokenOf($t, $i);
    }

    /**
     * 'The end of it', or 'around the middle' at the end of what is said: of the week or month that is spoken of.
     *
     * @param list<Token> $t
     */
    private function ofWhatIsSpokenOf(array $t, int $i): ?Item
    {
        $hit = $this->words->phrases('wishes', 'bare_parts')->at($t, $i);

        return $hit !== null && is_string($hit[0]) && ! isset($t[$i + $hit[1]]) ? new Item(Item::PERIOD, '', $i, $i + $hit[1], portion: $hit[0]) : null;
    }

    /**
     * Whether it is 'the month' or 'the week', and not which.
     *
     * @param list<Token> $t
     */
    private function unnamed(array $t, int $at): bool
    {
        return in_array($t[$at + (($t[$at]->text ?? '') === 'the' ? 1 : 0)]->text ?? '', ['week', 'month'], true);
    }

    /**
     * Easter is its four days.
     *
     * @param list<Token> $t
     */
    private function feast(array $t, int $i, Context $context): ?Item
    {
        $days = $this->words->section('wishes', 'feasts')[$t[$i]->text] ?? null;
        $next = $t[$i + 1]->text ?? '';
        $sunday = $days === null || isset($this->words->section('calendar', 'weekdays')[$next]) || $next === 'day' ? null : (new Day(easter: 0))->resolve($context->now);

        return $sunday === null || ! is_array($days) ? null : new Item(Item::PERIOD, [$sunday->modify("{$days[0]} days")->format('Y-m-d'), $sunday->modify("+{$days[1]} days")->format('Y-m-d')], $i, $i + 1);
    }

    /**
     * 'In the next two weeks', 'within three days'.
     *
     * @param list<Token> $t
     */
    private function within(array $t, int $i, Context $context): ?Item
    {
        $hit = $this->parts['within']->at($t, $i);
        $at = $hit === null ? 0 : $i + $hit[1];
        $single = ($t[$at]->text ?? '') === 'a' ? 1 : 0;
        $few = $this->words->section('wishes', 'few')[$t[$at + $single]->text ?? ''] ?? null;
        $number = $hit === null || $single === 1 || is_int($few) || ! isset($t[$at]) ? null : $this->numerals->cardinal($t, $at);
        // 'In the next week' is within seven days; 'the next week' alone may be the calendar's.
        $bare = $hit !== null && $hit[1] > 2 && $number === null;
        $count = is_int($few) ? $few : $number?->whole() ?? ($single === 1 || $bare ? 1 : null);
        $at += $single + (is_int($few) ? 1 : $number->length ?? 0);
        $at += is_int($few) && ($t[$at]->text ?? '') === 'of' ? 1 : 0;
        // 'The next two or three days': the more of them.
        $more = $number !== null && ($t[$at]->text ?? '') === 'or' ? $this->numerals->cardinal($t, $at + 1) : null;
        $count = $more?->whole() ?? $count;
        $at += $more === null ? 0 : 1 + $more->length;
        $unit = $hit === null ? null : ($this->words->section('calendar', 'counted')[$t[$at]->text ?? ''] ?? null);
        $days = ['day' => 1, 'week' => 7, 'fortnight' => 14, 'month' => 30][is_string($unit) ? $unit : ''] ?? null;
        if ($hit === null || $days === null || ! is_int($count) && $unit !== 'fortnight') {
            return null;
        }

        return new Item(Item::PERIOD, [$context->now->format('Y-m-d'), $context->now->modify('+'.$days * (is_int($count) ? $count : 1).' days')->format('Y-m-d')], $i, $at + 1);
    }

    /**
     * 'The first week of April', 'the last week of the month'.
     *
     * @param list<Token> $t
     */
    private function weekOfMonth(array $t, int $i, Context $context): ?Item
    {
        $of = $this->words->phrases('wishes', 'weeks_of_month')->at($t, $i);
        $whole = $of === null ? null : $this->whole($t, $i + $of[1], $context);
        if ($of !== null && $whole !== null && is_int($of[0])) {
            return new Item(Item::PERIOD, self::weekIn($whole[0], $of[0]), $i, $whole[1]);
        }
        $nth = $this->words->phrases('wishes', 'nth_weeks')->at($t, $i);

        return $nth !== null && is_int($nth[0]) ? new Item(Item::PERIOD, self::weekIn(self::month($context->now), $nth[0]), $i, $i + $nth[1], ordinal: $nth[0]) : null;
    }

    /**
     * A week or a month by itself.
     *
     * @param list<Token> $t
     *
     * @return array{array{string, string}, int}|null its dates, and the token behind it
     */
    private function whole(array $t, int $i, Context $context): ?array
    {
        $turn = $this->turns->at($t, $i);
        if ($turn !== null && in_array($turn[0][0], ['weeks', 'months'], true)) {
            $count = is_int($turn[0][1]) ? $turn[0][1] : 0;

            return [$turn[0][0] === 'weeks' ? self::week($context->now, $count) : self::month($context->now->modify("first day of +{$count} month")), $i + $turn[1]];
        }
        $skip = ($t[$i]->text ?? '') === 'the' ? 1 : 0;
        $word = $t[$i + $skip]->text ?? '';
        if ($word === 'week' || $word === 'month') {
            return [$word === 'week' ? self::week($context->now, 0) : self::month($context->now), $i + $skip + 1];
        }
        $month = $this->words->section('calendar', 'months')[$word] ?? null;
        if (is_int($month)) {
            return [self::month(self::firstOf(new Day(month: $month), $context->now)), $i + $skip + 1];
        }

        return null;
    }

    /**
     * @param array{string, string} $whole
     *
     * @return array{string, string}
     */
    public function portion(array $whole, string $part, Context $context): array
    {
        [$from, $to] = $whole;
        $today = $context->now->format('Y-m-d');
        $day = static fn (string $date, int $days): string => (new \DateTimeImmutable($date))->modify(sprintf('%+d days', $days))->format('Y-m-d');
        if ($part === 'rest') {
            // 'Later this week' is after today.
            return [max($from, $from <= $today && $to >= $today ? $day($today, 1) : $from), $to];
        }
        $week = $day($from, 6) === $to;

        return match ($part) {
            'begins' => $week ? [$from, $day($from, 1)] : [$from, $day($from, self::EDGE - 1)],
            'first_halves' => $week ? [$from, $day($from, 2)] : [$from, $day($from, 14)],
            'halves' => $week ? [$day($from, 3), $to] : [$day($from, 15), $to],
            'middles' => $week ? [$day($from, 1), $day($from, 3)] : [$day($from, 10), $day($from, 19)],
            default => $week ? [$day($from, 3), $day($from, 4)] : [$day($to, 1 - self::EDGE), $to],
        };
    }

    /**
     * 'The week of the ninth' is the calendar week that has it.
     *
     * @param list<Token> $t
     * @param array<int, Span> $days
     */
    public function weekOf(array $t, int $i, array $days, Context $context): ?Item
    {
        $hit = $this->parts['week_of']->at($t, $i);
        if ($hit === null) {
            return null;
        }
        for ($at = $i + $hit[1]; $at <= $i + $hit[1] + 1; $at++) {
            $date = isset($days[$at]) && $days[$at]->what instanceof Day ? $days[$at]->what->resolve($context->now) : null;
            if ($date !== null) {
                return new Item(Item::PERIOD, self::week($date, 0), $i, $days[$at]->end());
            }
        }

        return null;
    }

    /** The first day of a month named without a day: the coming one of that name. */
    public static function firstOf(Day $day, \DateTimeImmutable $now): \DateTimeImmutable
    {
        if ($day->month === null) {
            return $now->modify(sprintf('first day of %+d month', $day->months ?? 0));
        }
        $year = $day->year ?? (int) $now->format('Y') + ($day->month < (int) $now->format('n') ? 1 : 0);

        return $now->setDate($year, $day->month, 1);
    }

    /** @return array{string, string} Monday to Sunday, so many weeks after that of a day */
    public static function week(\DateTimeImmutable $day, int $weeks): array
    {
        $monday = $day->modify('monday this week')->modify("+{$weeks} weeks");

        return [$monday->format('Y-m-d'), $monday->modify('+6 days')->format('Y-m-d')];
    }

    /**
     * @param array{string, string} $month
     *
     * @return array{string, string} its seven days of that number; the last for one below nought
     */
    public static function weekIn(array $month, int $n): array
    {
        $from = $n < 0 ? (new \DateTimeImmutable($month[1]))->modify('-6 days') : (new \DateTimeImmutable($month[0]))->modify('+'.(7 * ($n - 1)).' days');

        return [$from->format('Y-m-d'), $from->modify('+6 days')->format('Y-m-d')];
    }

    /** @return array{string, string} */
    public static function month(\DateTimeImmutable $day): array
    {
        return [$day->modify('first day of this month')->format('Y-m-d'), $day->modify('last day of this month')->format('Y-m-d')];
    }
}
