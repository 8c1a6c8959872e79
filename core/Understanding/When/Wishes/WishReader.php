<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;

/** Lays what a caller says about when upon what was wished before. */
final readonly class WishReader
{
    /** Where 'first thing' ends, in minutes of the day. */
    private const FIRST_THING = 600;

    private ItemFinder $items;

    private Reasons $reasons;

    private Wording $wording;

    private Cues $cues;

    private Senses $senses;

    private Portions $portions;

    public function __construct(private Vocabulary $words)
    {
        $this->items = new ItemFinder($words);
        $this->reasons = new Reasons($words);
        $this->wording = new Wording($words);
        $this->cues = new Cues($words);
        $this->senses = new Senses($this->cues, $this->reasons);
        $this->portions = new Portions($this->items->periods);
    }

    /**
     * @param array<string, string> $names of diaries, by key
     * @param list<\DateTimeImmutable> $offered starts the caller has just heard, in the zone of `now`
     */
    public function read(Wish $before, string $said, Context $context, array $names = [], array $offered = []): Wish
    {
        return $this->laid($before, $said, $context, $names, $offered)->overruling($before);
    }

    /**
     * @param array<string, string> $names
     * @param list<\DateTimeImmutable> $offered
     */
    private function laid(Wish $before, string $said, Context $context, array $names, array $offered): Wish
    {
        $t = $this->wording->of($said, $before);
        $items = $this->portions->in($this->sameDay($before, $t, $this->meantToBe($t, $this->items->in($t, $context)), $context), $before->frame, $context);
        $senses = $this->senses->of($t, $items);
        $items = array_values(array_filter($items, static fn (Item $item): bool => ($senses[$item->from] ?? null) !== Sense::Told));
        // 'Later' and 'earlier' stand until something else is said of when: a plain yes to what was found changes nothing.
        $wish = $items === [] ? $before : $before->but(['after' => null, 'before' => null]);
        $with = $this->with($t, $names);
        $wish = $with === null ? $wish : $wish->but(['with' => $with]);
        [$wish, $items] = $this->notThat($wish, $t, $items);
        $wish = (new Turns)->laid($wish, $items, $offered, $context);
        $halves = array_values(array_filter(array_map(static fn (Item $item): ?string => $item->kind === Item::PART && is_array($item->value) && is_string($item->value[2] ?? null) ? $item->value[2] : null, $items)));
        $meal = $this->words->phrases('wishes', 'evening_meals')->in($t) ? 'pm' : null;
        $items = $this->withoutEdges($senses, $items);
        $pairs = (new Pairs)->of($t, $items, $senses);
        if ($pairs !== [] && ($senses[$pairs[0][0][0]->from] ?? null) === Sense::RuledOut) {
            return $wish->but(['notByDay' => [...$wish->notByDay, ...$this->byDay($pairs, [], $t, $wish, $context, $meal)]]);
        }
        $byDay = $this->byDay($pairs, $senses, $t, $wish, $context, $meal);
        $wish = (new Days)->laid($wish, $this->others($items, $this->cues->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isDay())), $senses)), $context);

        $wish = $this->inItsWeek($wish, $t, $items);
        if ($byDay !== []) {
            return $wish->but(['times' => array_merge(...array_map(static fn (DayHours $hours): array => $hours->times, $byDay)), 'byDay' => $byDay, 'firstOfDay' => false]);
        }
        $wish = (new Hours)->laid($wish, $this->cues->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isTime())), $senses), $halves[0] ?? $meal ?? $wish->half);

        return $this->moves($items, $senses) ? $wish->but(['byDay' => []]) : $wish;
    }

    /**
     * 'In two weeks', and then 'the Thursday': the one of that week.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     */
    private function inItsWeek(Wish $wish, array $t, array $items): Wish
    {
        $days = array_values(array_filter($items, static fn (Item $item): bool => $item->isDay()));
        $said = count($days) === 1 && $days[0]->kind === Item::DAY ? array_map(static fn (Token $token): string => $token->text, array_slice($t, $days[0]->from, $days[0]->to - $days[0]->from)) : [];

        return $wish->days === null || array_intersect($said, ['weeks', 'fortnight']) === [] ? $wish : $wish->but(['frame' => PeriodFinder::week(new \DateTimeImmutable($wish->days[0][0]), 0)]);
    }

    /**
     * Whether a day or an hour is wished for anew.
     *
     * @param list<Item> $items
     * @param array<int, Sense> $senses
     */
    private function moves(array $items, array $senses): bool
    {
        return array_filter($items, static fn (Item $item): bool => $item->kind !== Item::TURN && ($senses[$item->from] ?? null) !== Sense::RuledOut) !== [];
    }

    /**
     * @param list<array{list<Item>, list<Item>}> $pairs
     * @param array<int, Sense> $senses
     * @param list<Token> $t
     *
     * @return list<DayHours>
     */
    private function byDay(array $pairs, array $senses, array $t, Wish $wish, Context $context, ?string $half): array
    {
        $byDay = [];
        foreach ($pairs as [$days, $times]) {
            $part = is_array($times[0]->value) && is_string($times[0]->value[2] ?? null) ? $times[0]->value[2] : $half;
            $on = (new Days)->laid(new Wish(frame: $wish->frame), $this->cues->meant($t, $days, $senses), $context);
            $at = (new Hours)->laid(new Wish, $this->cues->meant($t, $times, $senses), $part)->times ?? [];
            // What is ruled out is so of every such weekday.
            $weekday = $senses === [] && $days[0]->kind === Item::WEEKDAY && is_int($days[0]->value) ? [$days[0]->value] : null;
            if ($at !== []) {
                $byDay[] = new DayHours($weekday === null ? $on->days : null, $weekday ?? $on->weekdays, $at);
            }
        }

        return $byDay;
    }

    /**
     * Turns of phrase where somebody tells why are none: 'because any later and I miss the bus'.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<Item>
     */
    private function meantToBe(array $t, array $items): array
    {
        $reasons = $this->reasons->within($t);

        return array_values(array_filter($items, static fn (Item $item): bool => $item->kind !== Item::TURN || ! isset($reasons[$item->from])));
    }

    /**
     * 'Same day next week' is the weekday of the day wished for before, or of today.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<Item>
     */
    private function sameDay(Wish $before, array $t, array $items, Context $context): array
    {
        $week = array_filter($items, static fn (Item $item): bool => $item->kind === Item::PERIOD) !== [];
        $wished = count($before->days ?? []) === 1 && $before->days[0][0] === $before->days[0][1] ? new \DateTimeImmutable($before->days[0][0]) : $context->now;

        return array_map(static fn (Item $item): Item => $week && $item->kind === Item::DAY && $t[$item->from]->text === 'same' ? new Item(Item::WEEKDAY, (int) $wished->format('N'), $item->from, $item->to) : $item, $items);
    }

    /**
     * 'Not first thing' takes the early hours out.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return array{Wish, list<Item>}
     */
    private function notThat(Wish $wish, array $t, array $items): array
    {
        $kept = [];
        foreach ($items as $item) {
            if ($item->kind === Item::TURN && $item->value === 'first_thing' && $this->cues->cue($t, $item->from, 0) === 'without') {
                $wish = $wish->but(['notTimes' => [...$wish->notTimes, new Span(0, self::FIRST_THING)], 'firstOfDay' => false]);

                continue;
            }
            $kept[] = $item;
        }

        return [$wish, $kept];
    }

    /**
     * 'Before Thursday lunchtime' is a limit: its part of the day is no wish for the other days.
     *
     * @param array<int, Sense> $senses
     * @param list<Item> $items
     *
     * @return list<Item>
     */
    private function withoutEdges(array $senses, array $items): array
    {
        $kept = [];
        foreach ($items as $n => $item) {
            $day = $items[$n - 1] ?? null;
            if ($item->isTime() && $day !== null && $day->isDay() && $day->to === $item->from && in_array($senses[$day->from] ?? null, [Sense::Before, Sense::OverBy, Sense::StartsBy], true)) {
                continue;
            }
            $kept[] = $item;
        }

        return $kept;
    }

    /**
     * 'The builders are in on Thursday, so any other day' takes Thursday out.
     *
     * @param list<Item> $items
     * @param list<array{Sense, Item, ?Item}> $meant
     *
     * @return list<array{Sense, Item, ?Item}>
     */
    private function others(array $items, array $meant): array
    {
        $other = array_values(array_filter($items, static fn (Item $item): bool => $item->kind === Item::TURN && $item->value === 'other_day'))[0] ?? null;

        return $other === null ? $meant : array_map(static fn (array $one): array => $one[0] === Sense::Wished && $one[1]->kind !== Item::PERIOD && $one[1]->from < $other->from ? [Sense::RuledOut, $one[1], $one[2]] : $one, $meant);
    }

    /**
     * @param list<Token> $t
     * @param array<string, string> $names
     */
    private function with(array $t, array $names): ?string
    {
        $said = array_map(static fn (Token $token): string => $token->text, $t);
        foreach ($names as $key => $name) {
            $first = mb_strtolower(explode(' ', trim($name))[0]);
            $at = array_search($first, $said, true);
            // A name of two letters is one behind a 'with': 'with Jo'.
            if ($at !== false && (mb_strlen($first) > 2 || ($said[$at - 1] ?? '') === 'with') && ! in_array($said[$at - 1] ?? '', ['not', 'but'], true)) {
                return (string) $key;
            }
        }

        return null;
    }
}
