<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;

/** Lays what a caller says about when upon what was wished before. */
final readonly class WishReader
{
    /** What may stand before a day or a time, the longest saying wins. */
    private const CUES = ['without', 'after', 'from', 'before', 'by', 'to_start', 'around', 'between'];

    /** Half of what 'around three' allows to either side, in minutes. */
    private const AROUND = 30;

    /** Tokens before a day in which a cue is looked for. */
    private const LOOKS_BACK = 7;

    /** Words between two days that are both out of the question. */
    private const FEW_BETWEEN = 3;

    private ItemFinder $items;

    /** @var array<string, Phrases<string>> */
    private array $cues;

    /** @var array<string, true> */
    private array $little;

    /** @var array<string, true> */
    private array $goesOn;

    public function __construct(private Vocabulary $words)
    {
        $this->items = new ItemFinder($words);
        $cues = [];
        foreach ([...self::CUES, 'joins', 'onwards', 'or_before', 'ish', 'bad', 'reasons', 'somebody'] as $cue) {
            $cues[$cue] = $words->phrases('wishes', $cue);
        }
        $this->cues = $cues;
        $this->little = array_fill_keys($words->section('wishes', 'between_words'), true);
        $this->goesOn = array_fill_keys($words->section('wishes', 'goes_on'), true);
    }

    /**
     * @param array<string, string> $names of diaries, by key
     * @param list<\DateTimeImmutable> $offered starts the caller has just heard, in the zone of `now`
     */
    public function read(Wish $before, string $said, Context $context, array $names = [], array $offered = []): Wish
    {
        $t = $this->withoutReasons($this->plain(Heard::of($said, $this->words)->tokens), $context);
        $items = $this->items->in($t, $context);
        $wish = $before->but(['after' => null, 'before' => null]);
        $with = $this->with($t, $names);
        $wish = $with === null ? $wish : $wish->but(['with' => $with]);
        $wish = $this->turned($wish, $items, $offered, $context);
        $halves = array_values(array_filter(array_map(static fn (Item $item): ?string => $item->kind === Item::PART && is_array($item->value) && is_string($item->value[2] ?? null) ? $item->value[2] : null, $items)));
        $items = $this->withoutEdges($t, $items);
        $wish = $this->days($wish, $this->others($items, $this->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isDay())))), $context);

        return $this->times($wish, $this->meant($t, array_values(array_filter($items, static fn (Item $item): bool => $item->isTime()))), $halves[0] ?? $wish->half);
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
            if ($item->isTime() && $day !== null && $day->isDay() && $day->to === $item->from && in_array($this->cue($t, $day->from, 0), ['before', 'by', 'to_start'], true)) {
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

    /**
     * Turns of phrase: the earliest, later, the day after, I do not mind.
     *
     * @param list<Item> $items
     * @param list<\DateTimeImmutable> $offered
     */
    private function turned(Wish $wish, array $items, array $offered, Context $context): Wish
    {
        $turns = array_map(static fn (Item $item): string => is_string($item->value) ? $item->value : '', array_values(array_filter($items, static fn (Item $item): bool => $item->kind === Item::TURN)));
        $named = array_filter($items, static fn (Item $item): bool => $item->isDay() || $item->isTime()) !== [];
        if ($named && array_intersect($turns, ['later', 'earlier']) === []) {
            $wish = $wish->but(['order' => null, 'firstOfDay' => false]);
        }
        foreach ($turns as $turn) {
            $wish = match ($turn) {
                'earliest', 'latest' => $wish->but(['order' => $turn]),
                'first_thing' => $wish->but(['firstOfDay' => true, 'times' => [new Span(0, 600)]]),
                'any' => $named ? $wish : $wish->but(['days' => null, 'weekdays' => null, 'times' => null, 'order' => null, 'firstOfDay' => false, 'frame' => null]),
                'other_day' => $named ? $wish : $this->notThat($wish, $offered),
                'any_day' => $wish->but(['days' => null, 'weekdays' => null, 'frame' => null]),
                'any_time' => $wish->but(['times' => null, 'firstOfDay' => false]),
                'weekdays' => $wish->but(['weekdays' => [1, 2, 3, 4, 5]]),
                'weekends' => $wish->but(['weekdays' => [6, 7], 'days' => null, 'frame' => null]),
                'later', 'earlier' => $offered === [] ? $wish : $this->sameDay($wish, $turn, $offered),
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

    /**
     * Items with how each is meant; a stretch between two becomes one.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     *
     * @return list<array{string, Item, ?Item}> cue, item, and the other end of a stretch
     */
    private function meant(array $t, array $items): array
    {
        $meant = [];
        $end = 0;
        for ($k = 0, $n = count($items); $k < $n; $k++) {
            $item = $items[$k];
            $cue = $this->cue($t, $item->from, $end);
            $next = $items[$k + 1] ?? null;
            $join = $next === null ? null : $this->joined($t, $item->to, $next->from);
            if ($next !== null && $join !== null && ($cue === 'between' || $cue === 'from' && $join !== 'and' || $join !== 'and' && in_array($cue, ['', 'around', 'without'], true)) && $item->kind !== Item::PART) {
                $meant[] = [$cue === 'without' ? 'without' : 'between', $item, $next];
                $end = $next->to;
                $k++;

                continue;
            }
            $cue = $this->after($t, $item->to, $cue);
            // 'Not Monday or Tuesday': what is out of the question goes on.
            $last = $meant[count($meant) - 1] ?? null;
            if ($cue === '' && $last !== null && $last[0] === 'without' && $this->goesWith($t, $end, $item->from)) {
                $cue = 'without';
            }
            $meant[] = [$cue === 'between' ? 'from' : $cue, $item, null];
            $end = $item->to;
        }

        return $meant;
    }

    /**
     * The saying that stands before a place and says how it is meant.
     *
     * @param list<Token> $t
     */
    private function cue(array $t, int $place, int $since): string
    {
        $best = '';
        $length = 0;
        $before = array_slice($t, 0, $place);
        for ($s = max($since, $place - self::LOOKS_BACK); $s < $place; $s++) {
            foreach (self::CUES as $cue) {
                $hit = $this->cues[$cue]->at($before, $s);
                if ($hit === null) {
                    continue;
                }
                $gap = array_slice($t, $s + $hit[1], $place - $s - $hit[1]);
                // 'No, ten' puts right; 'no mornings' rules out.
                $denies = $cue === 'without' && $hit[1] === 1 && in_array($t[$s]->text, ['no', 'not'], true) && $t[$s + 1]->afterBreak();
                if (! $denies && array_filter($gap, fn (Token $token): bool => ! isset($this->little[$token->text])) === [] && $hit[1] > $length) {
                    [$best, $length] = [$cue, $hit[1]];
                }
            }
        }

        return $best;
    }

    /**
     * What stands behind a day or a time: 'onwards', '-ish', 'is no good'.
     *
     * @param list<Token> $t
     */
    private function after(array $t, int $place, string $cue): string
    {
        return match (true) {
            $this->cues['bad']->at($t, $place) !== null => 'without',
            $cue === '' && $this->cues['onwards']->at($t, $place) !== null => 'from',
            $cue === '' && $this->cues['or_before']->at($t, $place) !== null => 'to_start',
            $cue === '' && $this->cues['ish']->at($t, $place) !== null => 'around',
            default => $cue,
        };
    }

    /**
     * The one little word that joins two ends of a stretch; null where something else stands between.
     *
     * @param list<Token> $t
     */
    private function joined(array $t, int $from, int $to): ?string
    {
        $hit = $this->cues['joins']->at($t, $from);
        if ($hit === null || $from + $hit[1] > $to) {
            return null;
        }
        $gap = array_slice($t, $from + $hit[1], $to - $from - $hit[1]);

        return array_filter($gap, fn (Token $token): bool => ! isset($this->little[$token->text])) === [] ? $t[$from]->text : null;
    }

    /** @param list<Token> $t */
    private function goesWith(array $t, int $from, int $to): bool
    {
        $gap = array_map(static fn (Token $token): string => $token->text, array_slice($t, $from, $to - $from));

        return array_intersect($gap, ['or', 'and', 'nor']) !== [] && count($gap) <= self::FEW_BETWEEN || $gap === [];
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
            return $wish->but(['notWeekdays' => [...$wish->notWeekdays, $item->value], 'days' => $wish->days === [$this->dates($item, $frame, $context)] ? ($frame !== null ? [$frame] : null) : $wish->days, 'weekdays' => $wish->weekdays === null ? null : (array_values(array_diff($wish->weekdays, [$item->value])) ?: null)]);
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

    /** @param list<array{string, Item, ?Item}> $meant */
    private function times(Wish $wish, array $meant, ?string $half): Wish
    {
        $times = [];
        $not = [];
        foreach ($meant as [$cue, $item, $other]) {
            $span = $item->kind === Item::PART && is_array($item->value) ? new Span((int) $item->value[0], (int) $item->value[1]) : $this->span($cue, $this->placed($item, $half), $other === null ? null : $this->placed($other, $half));
            if ($cue === 'without') {
                $not[] = $item->kind === Item::TIME && $other === null ? new Span($span->from, $span->from + 1) : $span;
            } elseif ($item->kind === Item::PART && in_array($cue, ['from', 'after', 'before', 'by', 'to_start'], true)) {
                $times[] = $cue === 'from' ? new Span($span->from) : ($cue === 'after' ? new Span($span->to) : new Span(0, $cue === 'before' ? $span->from : $span->to));
            } else {
                $times[] = $span;
            }
        }
        $wish = $not === [] ? $wish : $wish->but(['notTimes' => [...$wish->notTimes, ...$not]]);
        if ($times === []) {
            // What is ruled out now was wished for before: the wish goes.
            $gone = array_filter($wish->times ?? [], static fn (Span $one): bool => array_filter($not, static fn (Span $out): bool => $out->from <= $one->from && $out->to >= $one->to) !== []);

            return $gone !== [] && count($gone) === count($wish->times ?? []) ? $wish->but(['times' => null, 'half' => null, 'firstOfDay' => false]) : $wish;
        }
        // 'The afternoon, after three': a part with a limit is the part within it.
        $parts = array_values(array_filter($meant, static fn (array $one): bool => $one[1]->kind === Item::PART && $one[0] === ''));
        if (count($parts) === 1 && count($times) > 1) {
            $limits = array_values(array_filter($times, static fn (Span $one): bool => ! (is_array($parts[0][1]->value) && $one->from === $parts[0][1]->value[0] && $one->to === $parts[0][1]->value[1])));
            $whole = is_array($parts[0][1]->value) ? $parts[0][1]->value : [0, Span::DAY];
            $times = array_map(static fn (Span $one): Span => new Span(max($one->from, (int) $whole[0]), $one->to === Span::DAY ? max((int) $whole[1], $one->from + 1) : $one->to, $one->over), $limits);
        } elseif (count($times) > 1) {
            $times = $this->narrowed($times);
        }

        return $wish->but(['times' => $times, 'half' => $half, 'firstOfDay' => false]);
    }

    /**
     * 'After ten and before two' is one stretch; 'the morning or the evening' are two.
     *
     * @param non-empty-list<Span> $times
     *
     * @return list<Span>
     */
    private function narrowed(array $times): array
    {
        $lower = array_filter($times, static fn (Span $one): bool => $one->to === Span::DAY && $one->over === null && $one->from > 0);
        $upper = array_filter($times, static fn (Span $one): bool => $one->from === 0);
        if (count($lower) !== 1 || count($upper) !== 1 || count($times) !== 2) {
            return $times;
        }
        [$low, $high] = [array_values($lower)[0], array_values($upper)[0]];

        return $low->from < ($high->over ?? $high->to) ? [new Span($low->from, $high->to, $high->over)] : $times;
    }

    private function span(string $cue, int $minute, ?int $other): Span
    {
        return match (true) {
            $other !== null => new Span($minute, Span::DAY, $other > $minute ? $other : $other + 720),
            $cue === 'from', $cue === 'after' => new Span($minute),
            $cue === 'before' => new Span(0, $minute),
            $cue === 'by' => new Span(0, Span::DAY, $minute),
            $cue === 'to_start' => new Span(0, $minute + 1),
            $cue === 'around' => new Span(max(0, $minute - self::AROUND), $minute + self::AROUND),
            default => new Span($minute, $minute + 1),
        };
    }

    /** An hour without am or pm is read in the part of the day in force. */
    private function placed(Item $item, ?string $half): int
    {
        $minute = is_int($item->value) ? $item->value : 0;
        // Hours from seven to eleven were read as of the morning, one to six as of the afternoon.
        if ($half === 'pm' && $minute >= 420 && $minute < 720) {
            return $minute + 720;
        }

        return $half === 'am' && $minute >= 1080 && $minute < 1140 ? $minute - 720 : $minute;
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
            if (($t[$n - 1]->text ?? '') === 'in' && $this->cues['around']->at($t, $n) !== null && isset($this->words->section('calendar', 'counted')[$t[$n + 2]->text ?? ''])) {
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
     * The words without what only tells why: 'after four, I work till half three'.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function withoutReasons(array $t, Context $context): array
    {
        $kept = [];
        $inside = [];
        foreach ($this->items->in($t, $context) as $item) {
            for ($i = $item->from + 1; $i < $item->to; $i++) {
                $inside[$i] = true;
            }
        }
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            if (isset($inside[$i]) || $this->cues['reasons']->at($t, $i) === null) {
                $kept[] = $t[$i];

                continue;
            }
            for ($end = $i + 1; $end < $n && ! $t[$end]->afterBreak() && ! isset($this->goesOn[$t[$end]->text]); $end++);
            $clause = array_slice($t, $i, $end - $i);
            // 'My wife can't do Tuesdays' takes Tuesdays out.
            if ($this->cues['without']->in($clause) && $this->items->in($clause, $context) !== [] && preg_match("/\\bca?n(?:no|')t\\b/", implode(' ', array_map(static fn (Token $token): string => $token->text, $clause))) === 1) {
                array_push($kept, ...$clause);
            }
            $i = $end - 1;
        }

        return $kept;
    }
}
