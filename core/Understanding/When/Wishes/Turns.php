<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Understanding\Context;

/** Turns of phrase laid upon a wish: the earliest, later that day, the week after, another day. */
final readonly class Turns
{
    /** 'Anything later' is later, not any time at all. */
    private const BESIDE = [
        'later',
        'earlier',
        'later_in_week',
        'earlier_in_week',
        'day_after',
        'day_before',
        'week_after',
        'week_before',
        'other_day',
        'any_day',
        'any_time',
    ];

    /** Days from Monday on which the second half of a week begins. */
    private const SECOND_HALF = 3;

    /**
     * Turns of phrase: the earliest, later, the day after, I do not mind.
     *
     * @param list<Item> $items
     * @param list<\DateTimeImmutable> $offered
     */
    public function laid(Wish $wish, array $items, array $offered, Context $context): Wish
    {
        $turns = array_map(static fn (Item $item): string => is_string($item->value) ? $item->value : '', array_values(array_filter($items, static fn (Item $item): bool => $item->kind === Item::TURN)));
        $named = array_filter($items, static fn (Item $item): bool => $item->isDay() || $item->isTime()) !== [];
        $day = array_filter($items, static fn (Item $item): bool => $item->isDay()) !== [];
        if ($named && array_intersect($turns, ['later', 'earlier']) === []) {
            $wish = $wish->but(['order' => null, 'firstOfDay' => false]);
        }
        foreach ($turns as $turn) {
            $wish = match ($turn) {
                'earliest', 'latest' => $wish->but(['order' => $turn]),
                'first_thing' => $wish->but(['firstOfDay' => true, 'times' => [new Span(0, 600)]]),
                'any' => $named || array_intersect($turns, self::BESIDE) !== [] ? $wish : $wish->but(['days' => null, 'weekdays' => null, 'times' => null, 'order' => null, 'firstOfDay' => false, 'frame' => null]),
                'other_day' => $day ? $wish : $this->notThat($wish, $offered),
                // Any day of the week or month in force, where there is one.
                'any_day' => $named ? $wish : $wish->but(['days' => $wish->frame === null ? null : [$wish->frame], 'weekdays' => null]),
                'any_time' => $wish->but(['times' => null, 'firstOfDay' => false]),
                'later', 'earlier' => $offered === [] ? $wish : $this->sameDay($wish, $turn, $offered),
                'later_in_week', 'earlier_in_week' => $this->inWeek($wish, $turn === 'later_in_week', $offered, $context),
                'day_after', 'day_before' => $this->besideDay($wish, $turn === 'day_after' ? 1 : -1, $offered),
                'week_after', 'week_before' => $this->besideWeek($wish, $turn === 'week_after' ? 1 : -1, $offered, $context),
                default => $wish,
            };
        }

        return $wish;
    }

    /**
     * 'Another day': what was wished for or offered is out.
     *
     * @param list<\DateTimeImmutable> $offered
     */
    private function notThat(Wish $wish, array $offered): Wish
    {
        $dates = array_values(array_unique(array_map(static fn (\DateTimeImmutable $one): string => $one->format('Y-m-d'), $offered)));
        $single = $wish->days !== null && count($wish->days) === 1 && $wish->days[0][0] === $wish->days[0][1];

        return $wish->but(['notDays' => [...$wish->notDays, ...($single ? $wish->days : array_map(static fn (string $date): array => [$date, $date], $dates))], 'days' => $single ? ($wish->frame === null ? null : [$wish->frame]) : $wish->days]);
    }

    /** @param non-empty-list<\DateTimeImmutable> $offered */
    private function sameDay(Wish $wish, string $turn, array $offered): Wish
    {
        $moments = array_map(static fn (\DateTimeImmutable $one): int => $one->getTimestamp(), $offered);
        $edge = $turn === 'later' ? max($moments) : min($moments);
        $date = $offered[(int) array_search($edge, $moments, true)]->format('Y-m-d');

        return $wish->but(['days' => [[$date, $date]], 'weekdays' => null, 'firstOfDay' => false, 'order' => $turn === 'earlier' ? 'latest' : null, $turn === 'later' ? 'after' : 'before' => $edge]);
    }

    /**
     * 'Later in the week' than what was offered; where nothing was, its second half, and of the week in force where there is one.
     *
     * @param list<\DateTimeImmutable> $offered
     */
    private function inWeek(Wish $wish, bool $later, array $offered, Context $context): Wish
    {
        $dates = array_map(static fn (\DateTimeImmutable $one): string => $one->format('Y-m-d'), $offered);
        $in = new \DateTimeImmutable($dates !== [] ? max($dates) : ($wish->frame[0] ?? $context->now->format('Y-m-d')));
        $monday = $in->modify('monday this week');
        [$from, $to] = $later
            ? [$dates === [] ? $monday->modify('+'.self::SECOND_HALF.' days') : $in->modify('+1 day'), $monday->modify('+6 days')]
            : [$monday, $dates === [] ? $monday->modify('+'.(self::SECOND_HALF - 1).' days') : (new \DateTimeImmutable(min($dates)))->modify('-1 day')];

        return $from > $to ? $wish : $wish->but(['days' => [[$from->format('Y-m-d'), $to->format('Y-m-d')]], 'weekdays' => null]);
    }

    /** @param list<\DateTimeImmutable> $offered */
    private function besideDay(Wish $wish, int $days, array $offered): Wish
    {
        $from = $offered !== [] ? $offered[count($offered) - 1]->format('Y-m-d') : ($wish->days !== null && count($wish->days) === 1 ? $wish->days[0][1] : null);
        if ($from === null) {
            return $wish;
        }
        $date = (new \DateTimeImmutable($from))->modify(sprintf('%+d days', $days))->format('Y-m-d');

        return $wish->but(['days' => [[$date, $date]], 'weekdays' => null]);
    }

    /** @param list<\DateTimeImmutable> $offered */
    private function besideWeek(Wish $wish, int $weeks, array $offered, Context $context): Wish
    {
        $in = $wish->frame[0] ?? ($offered !== [] ? $offered[0]->format('Y-m-d') : ($wish->days[0][0] ?? null));
        $monday = (new \DateTimeImmutable($in ?? $context->now->format('Y-m-d')))->modify('monday this week')->modify(sprintf('%+d weeks', $in === null ? $weeks + 1 : $weeks));
        $week = [$monday->format('Y-m-d'), $monday->modify('+6 days')->format('Y-m-d')];

        return $wish->but(['days' => [$week], 'frame' => $week]);
    }
}
