<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;

/** Lays what a caller says about when upon what was wished before. */
final readonly class WishReader
{
    /** Besides weekdays: what is said with a short 'is'. */
    private const WITH_IS = ['today', 'tomorrow', 'week', 'weekend', 'month', 'morning', 'afternoon', 'evening', 'lunchtime'];

    /** Where 'first thing' ends, in minutes of the day. */
    private const FIRST_THING = 600;

    private ItemFinder $items;

    private Reasons $reasons;

    private Numerals $numerals;

    private Cues $cues;

    public function __construct(private Vocabulary $words)
    {
        $this->items = new ItemFinder($words);
        $this->reasons = new Reasons($words, $this->items);
        $this->numerals = new Numerals($words);
        $this->cues = new Cues($words);
    }

    /**
     * @param array<string, string> $names of diaries, by key
     * @param list<\DateTimeImmutable> $offered starts the caller has just heard, in the zone of `now`
     */
    public function read(Wish $before, string $said, Context $context, array $names = [], array $offered = []): Wish
    {
        $t = $this->reasons->without($this->hourly($this->plain(Heard::of($said, $this->words)->tokens), $before), $context);
        $items = $this->items->in($t, $context);
        $wish = $before->but(['after' => null, 'before' => null]);
        $with = $this->with($t, $names);
        $wish = $with === null ? $wish : $wish->but(['with' => $with]);
        [$wish, $items] = $this->notThat($wish, $t, $items);
        $wish = (new Turns)->laid($wish, $items, $offered, $context);
        $halves = array_values(array_filter(array_map(static fn (Item $item): ?string => $item->kind === Item::PART && is_array($item->value) && is_string($item->value[2] ?? null) ? $item->value[2] : null, $items)));
        $items = $this->withoutEdges($t, $items);
        $wish = $this->days($wish, $this->others($items, $this->cues->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isDay())))), $context);

        return (new Hours)->laid($wish, $this->cues->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isTime()))), $halves[0] ?? $wish->half);
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
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<Item>
     */
    private function withoutEdges(array $t, array $items): array
    {
        $kept = [];
        foreach ($items as $n => $item) {
            $day = $items[$n - 1] ?? null;
            if ($item->isTime() && $day !== null && $day->isDay() && $day->to === $item->from && in_array($this->cues->cue($t, $day->from, 0), ['before', 'by', 'to_start'], true)) {
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
     * @param list<array{string, Item, ?Item}> $meant
     *
     * @return list<array{string, Item, ?Item}>
     */
    private function others(array $items, array $meant): array
    {
        $other = array_values(array_filter($items, static fn (Item $item): bool => $item->kind === Item::TURN && $item->value === 'other_day'))[0] ?? null;

        return $other === null ? $meant : array_map(static fn (array $one): array => $one[0] === '' && $one[1]->kind !== Item::PERIOD && $one[1]->from < $other->from ? ['without', $one[1], $one[2]] : $one, $meant);
    }

    /** @param list<array{string, Item, ?Item}> $meant */
    private function days(Wish $wish, array $meant, Context $context): Wish
    {
        $frame = null;
        $weekdays = array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::WEEKDAY && $one[0] !== 'without');
        $kept = [];
        foreach ($meant as [$cue, $item, $other]) {
            // 'Tuesday next week' is the Tuesday in it; a plain period beside weekdays is only where they lie.
            if ($item->kind === Item::PERIOD && in_array($cue, ['', 'around'], true) && is_array($item->value) && is_string($item->value[0])) {
                $frame = [$item->value[0], (string) $item->value[1]];
                if ($weekdays !== []) {
                    continue;
                }
            }
            $kept[] = [$cue, $item, $other];
        }
        $inForce = $frame ?? $wish->frame;
        $days = [];
        $every = [];
        $change = $frame === null ? [] : ['frame' => $frame];
        foreach ($kept as [$cue, $item, $other]) {
            if ($cue === 'without') {
                $wish = $this->without($wish, $item, $other, $inForce, $context);

                continue;
            }
            if ($item->kind === Item::WEEKDAY && $item->every && $cue === '' && is_int($item->value)) {
                $every[] = $item->value;

                continue;
            }
            [$from, $to] = $this->dates($item, $inForce, $context);
            $days[] = match (true) {
                $other !== null => [$from, $this->dates($other, $inForce === null ? [$from, Wish::NEVER] : $inForce, $context)[1]],
                $cue === 'after' => [(new \DateTimeImmutable($to))->modify('+1 day')->format('Y-m-d'), $inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[1] : Wish::NEVER],
                $cue === 'from' => [$from, $inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[1] : Wish::NEVER],
                $cue === 'before' => [Wish::EVER, (new \DateTimeImmutable($from))->modify('-1 day')->format('Y-m-d')],
                $cue === 'by', $cue === 'to_start' => [$inForce !== null && $item->kind === Item::WEEKDAY ? $inForce[0] : Wish::EVER, $to],
                default => [$from, $to],
            };
        }
        if ($days === [] && $every === []) {
            return $wish->but($change);
        }
        $single = array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::DAY) !== [];

        return $wish->but($change + ['days' => $days !== [] ? $days : ($inForce !== null ? [$inForce] : null), 'weekdays' => $every === [] ? null : $every, 'notDays' => array_values(array_filter($wish->notDays, static fn (array $not): bool => ! in_array($not, $days, true))), 'frame' => $frame ?? ($single ? null : $wish->frame)]);
    }

    /**
     * @param ?array{string, string} $frame
     */
    private function without(Wish $wish, Item $item, ?Item $other, ?array $frame, Context $context): Wish
    {
        if ($item->kind === Item::WEEKDAY && $other === null && is_int($item->value)) {
            $left = $wish->days === null ? null : array_values(array_filter($wish->days, static fn (array $day): bool => $day[0] !== $day[1] || (int) (new \DateTimeImmutable($day[0]))->format('N') !== $item->value));

            return $wish->but(['notWeekdays' => [...$wish->notWeekdays, $item->value], 'days' => $left === [] ? ($frame !== null ? [$frame] : null) : $left, 'weekdays' => $wish->weekdays === null ? null : (array_values(array_diff($wish->weekdays, [$item->value])) ?: null)]);
        }
        $dates = $this->dates($item, $frame, $context);
        $to = $other === null ? $dates[1] : $this->dates($other, $frame, $context)[1];

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
            if ($at !== false && mb_strlen($first) > 2 && ! in_array($said[$at - 1] ?? '', ['not', 'but'], true)) {
                return (string) $key;
            }
        }

        return null;
    }

    /**
     * 'Tennish' is ten, or so.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function plain(array $t): array
    {
        $plain = [];
        foreach ($t as $n => $token) {
            // 'In about three weeks' is in three weeks.
            if (($t[$n - 1]->text ?? '') === 'in' && $this->words->phrases('wishes', 'around')->at($t, $n) !== null && isset($this->words->section('calendar', 'counted')[$t[$n + 2]->text ?? ''])) {
                continue;
            }
            // 'Wednesday's fine' is Wednesday.
            $day = str_ends_with($token->text, "'s") ? substr($token->text, 0, -2) : '';
            if (isset($this->words->section('calendar', 'weekdays')[$day]) || in_array($day, self::WITH_IS, true)) {
                array_push($plain, new Token($day, $token->original, $token->start, $token->end, $token->gap), new Token('is', $token->original, $token->end, $token->end, ' '));

                continue;
            }
            $hour = str_ends_with($token->text, 'ish') ? ($this->words->section('wishes', 'hours_ish')[substr($token->text, 0, -3)] ?? null) : null;
            if (is_string($hour)) {
                array_push($plain, new Token($hour, $token->original, $token->start, $token->end, $token->gap), new Token('ish', $token->original, $token->end, $token->end, ' '));
            } else {
                $plain[] = $token;
            }
        }

        return $plain;
    }

    /**
     * 'Make it quarter past': the hour is the one said last, or wished for.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function hourly(array $t, Wish $before): array
    {
        $times = $before->times ?? [];
        $hour = count($times) === 1 && $times[0]->from > 0 ? (intdiv($times[0]->from, 60) + 11) % 12 + 1 : null;
        $all = [];
        foreach ($t as $n => $token) {
            $all[] = $token;
            $number = $this->numerals->cardinal($t, $n);
            if ($number !== null && $number->isWhole() && $number->value >= 1 && $number->value <= 12 && ! isset($this->words->section('calendar', 'counted')[$t[$n + $number->length]->text ?? ''])) {
                $hour = $number->whole();
            } elseif ($hour !== null && in_array($token->text, ['past', 'to'], true) && in_array($t[$n - 1]->text ?? '', $token->text === 'past' ? ['half', 'quarter'] : ['quarter'], true) && (! isset($t[$n + 1]) || $this->numerals->cardinal($t, $n + 1) === null && ! in_array($t[$n + 1]->text, ['noon', 'midday', 'midnight'], true))) {
                $all[] = new Token((string) $hour, $token->original, $token->end, $token->end, ' ');
            }
        }

        return $all;
    }
}
