<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Understanding\When\Wishes\Wish;

/** Chooses what to offer for a wish: two or three free times that differ usefully, or the nearest where none fits. */
final class Offers
{
    public const MOST = 3;

    /** Two times of a day are different enough so many seconds apart. */
    private const APART = 7_200;

    /** Where somebody wants it soon, or a little earlier or later, the next is not so far off. */
    private const NEAR = 3_600;

    /** Less apart than this two times hardly differ. */
    private const LEAST_APART = 1_800;

    private const TWO = 2;

    /** Who asks for the earliest gets it, and one more. */
    private const SOONEST = 2;

    /** Free starts looked at before a choice is made. */
    private const LOOKED_AT = 60;

    /** Windows told of a wish that has many. */
    private const WINDOWS = 14;

    /** The first start of a day counts as 'first thing' before this minute. */
    private const EARLY = 600;

    private readonly FreeTimes $free;

    /** @var array<int, int> minutes of the day, by moment */
    private array $minutes = [];

    /** @param ?string $last key of the diary that had the caller last */
    public function __construct(private readonly Diaries $diaries, private readonly ?string $last = null)
    {
        $this->free = new FreeTimes($diaries);
    }

    /**
     * @param int $now seconds since 1970
     * @param list<int> $refused starts that were offered and not wanted
     */
    public function for(Service $service, Wish $wish, int $now, ?string $area = null, array $refused = []): Offer
    {
        $inside = $this->inside($service, $wish, $now, $area, $refused);
        if ($inside === [] && ($wish->after !== null || $wish->before !== null) && $wish->times !== null) {
            // 'Later' in a morning that is full: the part of the day gives way.
            $wish = $wish->but(['times' => null]);
            $inside = $this->inside($service, $wish, $now, $area, $refused);
        }
        $windows = $this->windows($service, $wish, $now);
        if ($inside !== []) {
            return new Offer(true, $this->chosen($inside, $wish), $windows, '');
        }

        return new Offer(false, $this->nearest($service, $wish, $now, $area, $windows, $refused), $windows, ($reason = $this->why($service, $wish, $now, $area))->inWords(), $reason);
    }

    public function freeTimes(): FreeTimes
    {
        return $this->free;
    }

    /**
     * @param list<int> $refused
     *
     * @return array<int, list<string>> free starts inside the wish, as many as are worth looking at
     */
    private function inside(Service $service, Wish $wish, int $now, ?string $area, array $refused): array
    {
        $found = [];
        $latest = $wish->order === 'latest';
        foreach ($this->dates($service, $now) as $date => $weekday) {
            if (! $wish->day($date, $weekday)) {
                continue;
            }
            $wanted = fn (int $at): bool => $this->fits($wish, $at, $date, $weekday, $service, $refused);
            if ($wish->firstOfDay) {
                $ofDay = array_slice($this->free->on($service, $date, $now, $area, $wish->with), 0, 1, true);
                $ofDay = array_filter($ofDay, fn (int $at): bool => $wanted($at) && $this->minute($at) < self::EARLY, ARRAY_FILTER_USE_KEY);
            } else {
                $ofDay = $this->free->on($service, $date, $now, $area, $wish->with, $wanted);
            }
            $found += $ofDay;
            if (! $latest && count($found) >= self::LOOKED_AT && ! $this->namesDays($wish) || $latest && $ofDay !== [] && $wish->days === null) {
                break;
            }
        }

        return $found;
    }

    /** @param list<int> $refused */
    private function fits(Wish $wish, int $at, string $date, int $weekday, Service $service, array $refused): bool
    {
        return ! in_array($at, $refused, true) && $wish->time($this->minute($at), $service->minutes, $date, $weekday) && ($wish->after === null || $at > $wish->after) && ($wish->before === null || $at < $wish->before);
    }

    /**
     * The earliest (or the latest, where that is wished for), and others that differ from it by day or by part of the day.
     *
     * @param non-empty-array<int, list<string>> $inside
     *
     * @return list<Start>
     */
    private function chosen(array $inside, Wish $wish): array
    {
        $order = array_keys($inside);
        if ($wish->order === 'latest') {
            $order = array_reverse($order);
        }
        $soonest = $wish->order === 'earliest';
        $most = $soonest ? self::SOONEST : self::MOST;
        $chosen = $this->namesDays($wish) ? $this->firstOfEach($order) : [$order[0]];
        $wide = $soonest || $wish->after !== null || $wish->before !== null ? self::NEAR : self::APART;
        // A third that hardly differs from the others is no choice; a second is better than none.
        foreach ([[$wide, $most], [self::LEAST_APART, self::TWO], [0, self::TWO]] as [$apart, $enough]) {
            foreach ($order as $at) {
                if (count($chosen) < $enough && array_filter($chosen, static fn (int $one): bool => $one === $at || abs($one - $at) < $apart) === []) {
                    $chosen[] = $at;
                }
            }
        }
        if ($wish->order !== 'latest') {
            sort($chosen);
        }

        return array_map(fn (int $at): Start => new Start($at, $this->shared($inside[$at])), $chosen);
    }

    /** 'Wednesday or Friday': two days or three, each of which is heard of. */
    private function namesDays(Wish $wish): bool
    {
        $days = array_filter($wish->days ?? [], static fn (array $day): bool => $day[0] === $day[1]);

        return $wish->order === null && count($days) > 1 && count($days) <= self::MOST && count($days) === count($wish->days ?? []);
    }

    /**
     * @param non-empty-list<int> $order
     *
     * @return non-empty-list<int> the first of each day
     */
    private function firstOfEach(array $order): array
    {
        $first = [];
        foreach ($order as $at) {
            $first[(new \DateTimeImmutable('@'.$at))->setTimezone($this->diaries->tz)->format('Y-m-d')] ??= $at;
        }

        return array_values($first);
    }

    /**
     * Free starts outside the wish, the nearest first. What was ruled out stays out, and so does anybody but whoever was named.
     *
     * @param list<array{string, string}> $windows
     * @param list<int> $refused
     *
     * @return list<Start>
     */
    private function nearest(Service $service, Wish $wish, int $now, ?string $area, array $windows, array $refused): array
    {
        $tz = $this->diaries->tz;
        $edges = array_map(static fn (array $one): array => [(new \DateTimeImmutable($one[0], $tz))->getTimestamp(), (new \DateTimeImmutable($one[1], $tz))->getTimestamp()], $windows);
        if ($edges === []) {
            $from = $wish->days[0][0] ?? null;
            $at = $from === null || $from === Wish::EVER ? $now : (new \DateTimeImmutable(min($from, '2999-01-01'), $tz))->getTimestamp();
            $edges = [[$at, $at]];
        }
        // The days nearest to the wish first: once three are found, no day further away can hold a nearer one.
        $days = [];
        foreach ($this->dates($service, $now) as $date => $weekday) {
            $frame = new Frame($date, $tz);
            $days[$date] = $wish->excluded($date, $weekday) ? null : min(array_map(static fn (array $edge): int => max(0, $edge[0] - $frame->end, $frame->midnight - $edge[1]), $edges));
        }
        asort($days);
        $far = [];
        $keys = [];
        foreach ($days as $date => $least) {
            if ($least === null) {
                continue;
            }
            $spread = $this->spread($far);
            if (count($spread) >= self::MOST && $least > max([0, ...array_intersect_key($far, array_flip($spread))])) {
                break;
            }
            $weekday = (int) (new \DateTimeImmutable($date))->format('N');
            foreach ($this->free->on($service, $date, $now, $area, $wish->with) as $at => $diaries) {
                if (in_array($at, $refused, true) || $wish->excludedTime($this->minute($at), $date, $weekday)) {
                    continue;
                }
                $far[$at] = min(array_map(static fn (array $edge): int => $at < $edge[0] ? $edge[0] - $at : max(0, $at - $edge[1]), $edges));
                $keys[$at] = $diaries;
            }
            asort($far);
        }

        $spread = $this->spread($far);
        sort($spread);

        return array_map(fn (int $at): Start => new Start($at, $this->shared($keys[$at])), $spread);
    }

    /**
     * The nearest of all, and others that differ from it usefully.
     *
     * @param array<int, int> $far how far starts are from a wish, the nearest first
     *
     * @return list<int>
     */
    private function spread(array $far): array
    {
        $chosen = [];
        foreach ([[self::NEAR, self::MOST], [self::LEAST_APART, self::TWO], [0, self::TWO]] as [$apart, $enough]) {
            foreach (array_keys($far) as $at) {
                if (count($chosen) < $enough && array_filter($chosen, static fn (int $one): bool => $one === $at || abs($one - $at) < $apart) === []) {
                    $chosen[] = $at;
                }
            }
        }

        return $chosen;
    }

    /**
     * Which of several diaries that are free takes it.
     *
     * @param list<string> $keys
     */
    private function shared(array $keys): string
    {
        if ($this->diaries->share === 'first' || count($keys) < 2) {
            return $keys[0];
        }
        if ($this->diaries->share === 'same' && in_array($this->last, $keys, true)) {
            return (string) $this->last;
        }
        $weight = [];
        foreach ($keys as $n => $key) {
            $busy = $this->diaries->diaries[$key]->busy;
            // In turn: whose last appointment lies furthest back.
            $weight[$key] = $this->diaries->share === 'least_booked' ? [count($busy), $n] : [max([0, ...array_map(static fn (Busy $one): int => $one->from, $busy)]), $n];
        }
        asort($weight);

        return (string) array_key_first($weight);
    }

    /** @return list<array{string, string}> */
    private function windows(Service $service, Wish $wish, int $now): array
    {
        $windows = [];
        $today = (new \DateTimeImmutable('@'.$now))->setTimezone($this->diaries->tz);
        foreach ($this->dates($service, $now) as $date => $weekday) {
            if (! $wish->day($date, $weekday)) {
                continue;
            }
            foreach ($wish->timesOn($date, $weekday) ?? [null] as $span) {
                $from = $span === null ? 0 : $span->from;
                $to = $span === null ? 1440 : $span->endFor($service->minutes);
                if ($date === $today->format('Y-m-d')) {
                    $from = max($from, (int) $today->format('G') * 60 + (int) $today->format('i'));
                }
                if ($from < $to && count($windows) < self::WINDOWS) {
                    $windows[] = [$this->wall($date, $from), $this->wall($date, $to)];
                }
            }
        }

        return $windows;
    }

    private function wall(string $date, int $minute): string
    {
        $day = $minute >= 1440 ? (new \DateTimeImmutable($date))->modify('+1 day')->format('Y-m-d') : $date;

        return sprintf('%sT%02d:%02d', $day, intdiv($minute % 1440, 60), $minute % 60);
    }

    /** Why a wish is not met: what stands against the first times it would have. */
    private function why(Service $service, Wish $wish, int $now, ?string $area): Reason
    {
        $taking = array_values(array_filter($this->diaries->taking($service), static fn (Diary $diary): bool => $wish->with === null || $diary->key === $wish->with));
        if ($taking === []) {
            return Reason::Nobody;
        }
        // There are times that day, only none on the side of those offered that was asked for.
        if (($wish->before ?? $wish->after) !== null && $this->inside($service, $wish->but(['before' => null, 'after' => null]), $now, $area, []) !== []) {
            return $wish->before !== null ? Reason::NothingEarlier : Reason::NothingLater;
        }
        $counts = [];
        foreach ($this->dates($service, $now) as $date => $weekday) {
            if (! $wish->day($date, $weekday)) {
                continue;
            }
            if (array_sum($counts) > self::LOOKED_AT) {
                break;
            }
            $frame = new Frame($date, $this->diaries->tz);
            foreach ($wish->timesOn($date, $weekday) ?? [new \Ringo\Understanding\When\Wishes\Span(540, 1020)] as $span) {
                for ($minute = $span->from; $minute < max($span->from + 1, $span->endFor($service->minutes)); $minute += $service->step) {
                    $at = $frame->at($minute);
                    $why = $at === null ? Reason::Skipped : $this->free->why($service, $taking[0], $at, $now, $area);
                    if ($why !== null && $why !== Reason::Raster) {
                        $counts[$why->value] = ($counts[$why->value] ?? 0) + 1;
                    }
                }
            }
        }
        arsort($counts);
        // Where no hour was wished for, it is the day that is closed.
        if (array_diff(array_keys($counts), [Reason::Closed->value, Reason::TooSoon->value]) === [] && isset($counts[Reason::Closed->value]) && $wish->times === null) {
            return Reason::Closure;
        }

        return $counts === [] ? Reason::TooFar : Reason::from((string) array_key_first($counts));
    }

    /** @return iterable<string, int> days that may be booked, with their weekdays */
    private function dates(Service $service, int $now): iterable
    {
        $day = (new \DateTimeImmutable('@'.$now))->setTimezone($this->diaries->tz)->setTime(0, 0);
        for ($n = 0; $n <= $service->aheadDays; $n++) {
            yield $day->format('Y-m-d') => (int) $day->format('N');
            $day = $day->modify('+1 day');
        }
    }

    private function minute(int $at): int
    {
        if (! isset($this->minutes[$at])) {
            $local = (new \DateTimeImmutable('@'.$at))->setTimezone($this->diaries->tz);
            $this->minutes[$at] = (int) $local->format('G') * 60 + (int) $local->format('i');
        }

        return $this->minutes[$at];
    }
}
