<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Understanding\Context;

/** Days laid upon a wish: on Thursday, after the twentieth, not on Mondays, the second week of the month in force. */
final readonly class Days
{
    /** Days of the week, ISO from 1. */
    private const SETS = ['weekdays' => [1, 2, 3, 4, 5], 'weekends' => [6, 7], 'midweek' => [2, 3, 4]];

    /** Weeks that are looked through for a weekday that is not ruled out. */
    private const WEEKS_ON = 8;

    /** @param list<array{Sense, Item, ?Item}> $meant */
    public function laid(Wish $wish, array $meant, Context $context): Wish
    {
        $meant = array_map(fn (array $one): array => [$one[0], $this->inMonth($one[1], $wish->frame), $one[2]], $meant);
        $frame = null;
        $weekdays = array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::WEEKDAY && $one[0] !== Sense::RuledOut);
        $kept = [];
        foreach ($meant as [$sense, $item, $other]) {
            // 'Tuesday next week' is the Tuesday in it; a plain period beside weekdays is only where they lie.
            if ($item->kind === Item::PERIOD && in_array($sense, [Sense::Wished, Sense::Around], true) && $other === null && is_array($item->value) && is_string($item->value[0])) {
                $frame = [$item->value[0], (string) $item->value[1]];
                if ($weekdays !== []) {
                    continue;
                }
            }
            $kept[] = [$sense, $item, $other];
        }
        $inForce = $frame ?? $wish->frame;
        $ruledOut = $wish->notWeekdays;
        // 'Tuesday and Wednesday mornings' are all Tuesdays as well.
        $all = array_filter($weekdays, static fn (array $one): bool => $one[1]->every) !== [];
        // The one day last named, or wished for before: 'the Monday after'.
        $last = $wish->days !== null && count($wish->days) === 1 ? $wish->days[0][1] : null;
        $days = [];
        $every = [];
        $change = $frame === null ? [] : ['frame' => $frame];
        foreach ($kept as [$sense, $item, $other]) {
            $item = $this->following($item, $last);
            $last = $item->kind === Item::WEEKDAYS ? $last : $this->dates($item, $inForce, $context)[1];
            $other = $other === null ? null : $this->following($other, $last);
            if ($sense === Sense::RuledOut) {
                $wish = $this->without($wish, $item, $other, $inForce, $context);

                continue;
            }
            if ($item->kind === Item::WEEKDAYS) {
                array_push($every, ...self::set($item));

                continue;
            }
            if ($item->kind === Item::WEEKDAY && ($item->every || $all && $other === null) && $sense === Sense::Wished && is_int($item->value)) {
                $every[] = $item->value;

                continue;
            }
            [$from, $to] = $item->kind === Item::WEEKDAY && $sense === Sense::Wished && $other === null ? $this->notExcluded($wish, $this->dates($item, $inForce, $context)) : $this->dates($item, $inForce, $context);
            $days[] = match (true) {
                $other !== null => [$from, $this->dates($other, $inForce === null ? [$from, Wish::NEVER] : $inForce, $context)[1]],
                $sense === Sense::After => [(new \DateTimeImmutable($to))->modify('+1 day')->format('Y-m-d'), $inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[1] : Wish::NEVER],
                $sense === Sense::From => [$from, $inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[1] : Wish::NEVER],
                $sense === Sense::Before => [Wish::EVER, (new \DateTimeImmutable($from))->modify('-1 day')->format('Y-m-d')],
                $sense === Sense::OverBy, $sense === Sense::StartsBy => [$inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[0] : Wish::EVER, $to],
                default => [$from, $to],
            };
        }
        $days = $this->narrowed($days);
        if ($days === [] && $every === []) {
            return $wish->but($change);
        }
        // The newest wins: a day that was ruled out with its like is wished for now.
        $wanted = array_map(static fn (array $day): int => $day[0] === $day[1] ? (int) (new \DateTimeImmutable($day[0]))->format('N') : 0, $days);
        $single = array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::DAY) !== [];

        return $wish->but($change + ['days' => $days !== [] ? $days : ($inForce !== null ? [$inForce] : $this->spans($wish)), 'weekdays' => $every === [] ? null : $every, 'notWeekdays' => [...array_diff($ruledOut, $wanted, $every), ...array_diff($wish->notWeekdays, $ruledOut, $wanted)], 'notDays' => array_values(array_filter($wish->notDays, static fn (array $not): bool => ! in_array($not, $days, true))), 'frame' => $frame ?? ($single ? null : $wish->frame)]);
    }

    /**
     * 'After the sixteenth but before the twentieth' is one stretch.
     *
     * @param list<array{string, string}> $days
     *
     * @return list<array{string, string}>
     */
    private function narrowed(array $days): array
    {
        $lower = array_values(array_filter($days, static fn (array $day): bool => $day[1] === Wish::NEVER));
        $upper = array_values(array_filter($days, static fn (array $day): bool => $day[0] === Wish::EVER));

        return count($days) === 2 && count($lower) === 1 && count($upper) === 1 && $lower[0][0] <= $upper[0][1] ? [[$lower[0][0], $upper[0][1]]] : $days;
    }

    /** @return ?list<array{string, string}> days in force that are more than one day each: 'a weekday' lies in them */
    private function spans(Wish $wish): ?array
    {
        return array_filter($wish->days ?? [], static fn (array $day): bool => $day[0] === $day[1]) === [] ? $wish->days : null;
    }

    /** @return list<int> */
    private static function set(Item $item): array
    {
        return self::SETS[is_string($item->value) ? $item->value : ''] ?? self::SETS['weekdays'];
    }

    /**
     * 'Not this week', and then 'the Tuesday': the first that is not ruled out.
     *
     * @param array{string, string} $dates
     *
     * @return array{string, string}
     */
    private function notExcluded(Wish $wish, array $dates): array
    {
        for ($weeks = 0; $weeks < self::WEEKS_ON; $weeks++) {
            $day = (new \DateTimeImmutable($dates[0]))->modify("+{$weeks} weeks")->format('Y-m-d');
            // A stretch that was ruled out, and not the day itself, which is wished for anew.
            if (array_filter($wish->notDays, static fn (array $not): bool => $not[0] !== $not[1] && $day >= $not[0] && $day <= $not[1]) === []) {
                return [$day, $day];
            }
        }

        return $dates;
    }

    /** 'The following Friday' is the one after the day that was named. */
    private function following(Item $item, ?string $last): Item
    {
        if (! $item->beside || $item->kind !== Item::WEEKDAY || $last === null || $last === Wish::NEVER) {
            return $item;
        }
        $day = (new \DateTimeImmutable($last))->modify('+1 day');
        for ($n = 0; $n < 7 && (int) $day->format('N') !== $item->value; $n++) {
            $day = $day->modify('+1 day');
        }

        return new Item(Item::DAY, [$day->format('Y-m-d'), $day->format('Y-m-d')], $item->from, $item->to);
    }

    /**
     * 'The fourteenth', 'the second week' once a month is in force: the one in it.
     *
     * @param ?array{string, string} $frame
     */
    private function inMonth(Item $item, ?array $frame): Item
    {
        if ($item->ordinal === null || $frame === null) {
            return $item;
        }
        $dates = $item->kind === Item::PERIOD ? PeriodFinder::weekIn($frame, $item->ordinal) : null;
        for ($day = new \DateTimeImmutable($frame[0]); $dates === null && $day->format('Y-m-d') <= $frame[1]; $day = $day->modify('+1 day')) {
            $dates = (int) $day->format('j') === $item->ordinal ? [$day->format('Y-m-d'), $day->format('Y-m-d')] : null;
        }

        return $dates === null || $dates[0] > $frame[1] ? $item : new Item($item->kind, $dates, $item->from, $item->to);
    }

    /**
     * @param ?array{string, string} $frame
     */
    private function without(Wish $wish, Item $item, ?Item $other, ?array $frame, Context $context): Wish
    {
        if ($item->kind === Item::WEEKDAYS) {
            return $wish->but(['notWeekdays' => [...$wish->notWeekdays, ...self::set($item)]]);
        }
        if ($item->kind === Item::WEEKDAY && $other === null && is_int($item->value)) {
            $left = $wish->days === null ? null : array_values(array_filter($wish->days, static fn (array $day): bool => $day[0] !== $day[1] || (int) (new \DateTimeImmutable($day[0]))->format('N') !== $item->value));

            return $wish->but(['notWeekdays' => [...$wish->notWeekdays, $item->value], 'days' => $left === [] ? ($frame !== null ? [$frame] : null) : $left, 'weekdays' => $wish->weekdays === null ? null : (array_values(array_diff($wish->weekdays, [$item->value])) ?: null)]);
        }
        $dates = $this->dates($item, $frame, $context);
        $to = $other === null ? $dates[1] : $this->dates($other, $frame, $context)[1];
        if ($other !== null && $to < $dates[0] && is_int($item->value) && is_int($other->value)) {
            // 'I work Monday to Thursday', said on a Tuesday, is every week.
            return $wish->but(['notWeekdays' => [...$wish->notWeekdays, ...($item->value <= $other->value ? range($item->value, $other->value) : [...range($item->value, 7), ...range(1, $other->value)])]]);
        }

        return $wish->but(['notDays' => [...$wish->notDays, [$dates[0], $to]], 'days' => $wish->days === [$dates] ? null : $wish->days]);
    }

    /**
     * @param ?array{string, string} $frame
     *
     * @return array{string, string}
     */
    private function dates(Item $item, ?array $frame, Context $context): array
    {
        if ($item->kind !== Item::WEEKDAY || ! is_int($item->value)) {
            return is_array($item->value) ? [(string) $item->value[0], (string) $item->value[1]] : [Wish::EVER, Wish::NEVER];
        }
        $today = $context->now->format('Y-m-d');
        $day = $frame === null ? $context->now->modify('+1 day') : new \DateTimeImmutable(max($frame[0], $today));
        for ($n = 0; $n < 7 && (int) $day->format('N') !== $item->value; $n++) {
            $day = $day->modify('+1 day');
        }
        if ($frame !== null && $day->format('Y-m-d') > $frame[1]) {
            $day = $context->now->modify('+1 day');
            for ($n = 0; $n < 7 && (int) $day->format('N') !== $item->value; $n++) {
                $day = $day->modify('+1 day');
            }
        }

        return [$day->format('Y-m-d'), $day->format('Y-m-d')];
    }
}
