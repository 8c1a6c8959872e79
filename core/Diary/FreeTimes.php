<?php

declare(strict_types=1);

namespace Ringo\Diary;

/**
 * Which times are free for a service, and why the others are not.
 *
 * Hours, breaks and rasters are wall-clock time of the diary's zone; notice, lengths, margins and ways are elapsed time. Spans are half
 * open, so that appointments may touch.
 */
final class FreeTimes
{
    /** @var array<string, Frame> */
    private array $frames = [];

    private const A_DAY = 86_400;

    /** @var array<string, array{list<Busy>, int}> busy times in order, and the longest, by diary */
    private array $sorted = [];

    /** @var array<string, array<string, list<Busy>>> by diary and local day */
    private array $near = [];

    /** @var array<string, string> last day that may be booked, by now and how far ahead */
    private array $last = [];

    /** @var array<string, list<array{int, int}>> breaks as moments, by diary and local day */
    private array $breaks = [];

    /** @var array<string, list<int>> starts of a stretch of opening hours that are worth looking at; diaries with the same hours share them */
    private array $rasters = [];

    public function __construct(private readonly Diaries $diaries)
    {
    }

    /**
     * Free starts of one day of the business, of all diaries that take the service.
     *
     * @param int $now seconds since 1970
     * @param ?string $area where a visit is
     * @param ?string $only key of the one diary that is wished for
     * @param (\Closure(int): bool)|null $wanted starts worth looking at; null: all
     *
     * @return array<int, list<string>> keys of the diaries that are free, by moment, in order of time
     */
    public function on(Service $service, string $date, int $now, ?string $area = null, ?string $only = null, ?\Closure $wanted = null): array
    {
        $starts = [];
        $this->rasters = [];
        foreach ($this->diaries->taking($service) as $diary) {
            if ($only !== null && $diary->key !== $only) {
                continue;
            }
            foreach ($this->startsOf($service, $diary, $date, $now, $area, $wanted) as $start) {
                $starts[$start][] = $diary->key;
            }
        }
        ksort($starts);

        return $starts;
    }

    /**
     * Why a moment is not free in a diary; null where it is.
     */
    public function why(Service $service, Diary $diary, int $start, int $now, ?string $area = null): ?Reason
    {
        if (! in_array($service->key, $diary->services, true)) {
            return Reason::Nobody;
        }
        $tz = $diary->tz ?? $this->diaries->tz;
        $date = (new \DateTimeImmutable('@'.$start))->setTimezone($tz)->format('Y-m-d');
        $early = $this->limits($service, $diary, $date, $start, $now);
        if ($early !== null) {
            return $early;
        }
        $frame = $this->frame($date, $tz);
        $length = 60 * $service->minutes;
        $stretch = null;
        foreach ($this->diaries->open($diary, $frame) as [$from, $to]) {
            if ($start >= $frame->limit($from) && $start + $length <= $frame->limit($to)) {
                $stretch = $from;
            }
        }
        if ($stretch === null) {
            return Reason::Closed;
        }

        return $this->taken($service, $diary, $frame, $start, $area)
            ?? ($this->together($service, $start, $now) ? null : Reason::Together)
            ?? ($this->onRaster($service, $frame, $start, $stretch) ? null : Reason::Raster);
    }

    /** Whether a diary may not be booked so soon, so far ahead, on such a day. */
    private function limits(Service $service, Diary $diary, string $date, int $start, int $now): ?Reason
    {
        $tz = $diary->tz ?? $this->diaries->tz;
        $last = $this->last[$now.'+'.$service->aheadDays] ??= (new \DateTimeImmutable('@'.$now))->setTimezone($this->diaries->tz)->modify("+{$service->aheadDays} days")->format('Y-m-d');

        return match (true) {
            $start < $now + 3600 * $service->noticeHours => Reason::TooSoon,
            ($diary->tz === null ? $date : (new \DateTimeImmutable('@'.$start))->setTimezone($this->diaries->tz)->format('Y-m-d')) > $last => Reason::TooFar,
            $this->diaries->closures->has($date) => Reason::Closure,
            $diary->off->has($date) => Reason::Off,
            $diary->mostADay !== null && $this->begunOn($diary, $date, $tz) >= $diary->mostADay => Reason::DayFull,
            default => null,
        };
    }

    /** @return list<int> */
    private function startsOf(Service $service, Diary $diary, string $date, int $now, ?string $area, ?\Closure $wanted): array
    {
        $tz = $diary->tz ?? $this->diaries->tz;
        if ($diary->tz === null) {
            return $this->local($service, $diary, $date, $now, $area, $wanted);
        }
        // A diary of another zone: its days lie across those of the business.
        $starts = [];
        foreach ([-1, 0, 1] as $shift) {
            $day = (new \DateTimeImmutable($date, $tz))->modify("{$shift} days")->format('Y-m-d');
            foreach ($this->local($service, $diary, $day, $now, $area, $wanted) as $start) {
                if ((new \DateTimeImmutable('@'.$start))->setTimezone($this->diaries->tz)->format('Y-m-d') === $date) {
                    $starts[] = $start;
                }
            }
        }

        return $starts;
    }

    /** @return list<int> free starts on a day of the diary's own zone */
    private function local(Service $service, Diary $diary, string $date, int $now, ?string $area, ?\Closure $wanted): array
    {
        $tz = $diary->tz ?? $this->diaries->tz;
        if ($this->diaries->closures->has($date) || $diary->off->has($date)) {
            return [];
        }
        $frame = $this->frame($date, $tz);
        $stretches = $this->diaries->open($diary, $frame);
        if ($stretches === [] || $frame->end < $now || $this->limits($service, $diary, $date, max($frame->midnight, $now + 3600 * $service->noticeHours), $now) === Reason::TooFar || $diary->mostADay !== null && $this->begunOn($diary, $date, $tz) >= $diary->mostADay) {
            return [];
        }
        $earliest = $now + 3600 * $service->noticeHours;
        $starts = [];
        $goesTo = $service->place === Place::Visit ? $area : null;
        $near = $goesTo === null ? [] : $this->around($diary, $frame);
        $shut = $this->shut($service, $diary, $frame);
        foreach ($stretches as [$from, $to]) {
            [$next, $place, $before] = [0, 0, null];
            foreach ($this->rasters["{$date} {$tz->getName()} {$from} {$to}"] ??= $this->raster($service, $frame, $from, $to, $earliest, $wanted) as $start) {
                for (; isset($shut[$next]) && $shut[$next][1] <= $start; $next++);
                if (isset($shut[$next]) && $start > $shut[$next][0]) {
                    continue;
                }
                // Of a class others may be there already: each start is looked at by itself.
                if ($service->places > 1 && $this->taken($service, $diary, $frame, $start, $area) !== null) {
                    continue;
                }
                for (; isset($near[$place]) && $near[$place]->from < $start; $place++) {
                    $before = $before === null || $near[$place]->to > $before->to ? $near[$place] : $before;
                }
                if ($goesTo !== null && $service->places === 1 && ! $this->reachable($service, $diary, $frame, $start, $start + 60 * $service->minutes, $before, $near[$place] ?? null, $goesTo)) {
                    continue;
                }
                if ($service->with === [] || $this->together($service, $start, $now)) {
                    $starts[] = $start;
                }
            }
        }

        return $starts;
    }

    /**
     * Starts of a stretch of opening hours, in minutes of the day, that exist, are not too soon and leave room for the appointment.
     *
     * @return list<int> moments in order
     */
    private function raster(Service $service, Frame $frame, int $from, int $to, int $earliest, ?\Closure $wanted): array
    {
        $latest = $frame->limit($to) - 60 * $service->minutes;
        $starts = [];
        for ($minute = $from; $minute < $to; $minute += $service->step) {
            $start = $frame->at($minute);
            if ($start !== null && $start >= $earliest && $start <= $latest && ($wanted === null || $wanted($start))) {
                $starts[] = $start;
            }
        }

        return $starts;
    }

    /**
     * Between which moments no start is, for breaks and for other appointments with their margins; those of a class may be its own.
     *
     * @return list<array{int, int}> in order and apart; both ends are allowed
     */
    private function shut(Service $service, Diary $diary, Frame $frame): array
    {
        $length = 60 * $service->minutes;
        $shut = array_map(static fn (array $one): array => [$one[0] - $length, $one[1]], $this->breaksOn($diary, $frame));
        foreach ($service->places > 1 ? [] : $this->around($diary, $frame) as $busy) {
            $shut[] = [$busy->from - $length - 60 * $service->after, $busy->to + 60 * $service->before];
        }
        sort($shut);
        /** @var list<array{int, int}> $apart */
        $apart = [];
        foreach ($shut as $one) {
            $last = array_pop($apart);
            if ($last === null) {
                $apart[] = $one;
            } elseif ($one[0] < $last[1]) {
                $apart[] = [$last[0], max($last[1], $one[1])];
            } else {
                array_push($apart, $last, $one);
            }
        }

        return $apart;
    }

    /** @return list<array{int, int}> breaks as moments */
    private function breaksOn(Diary $diary, Frame $frame): array
    {
        return $this->breaks[$diary->key.$frame->date] ??= array_map(static fn (array $one): array => [$frame->limit($one[0]), $frame->limit($one[1])], $diary->breaks->on($frame->weekday));
    }

    /** Whether a break, another appointment, its margins or the way to it stand against a start. */
    private function taken(Service $service, Diary $diary, Frame $frame, int $start, ?string $area): ?Reason
    {
        $end = $start + 60 * $service->minutes;
        foreach ($this->breaksOn($diary, $frame) as [$from, $to]) {
            if ($start < $to && $end > $from) {
                return Reason::Break;
            }
        }
        $same = 0;
        $before = null;
        $after = null;
        foreach ($this->around($diary, $frame) as $busy) {
            if ($service->places > 1 && $busy->service === $service->key && $busy->from === $start) {
                $same++;

                continue;
            }
            if ($start - 60 * $service->before < $busy->to && $end + 60 * $service->after > $busy->from) {
                return $start < $busy->to && $end > $busy->from ? Reason::Busy : Reason::Margin;
            }
            if ($busy->to <= $start) {
                $before = $before === null || $busy->to > $before->to ? $busy : $before;
            } elseif ($after === null || $busy->from < $after->from) {
                $after = $busy;
            }
        }
        if ($same >= $service->places) {
            return Reason::Busy;
        }

        return $service->place === Place::Visit && $area !== null && ! $this->reachable($service, $diary, $frame, $start, $end, $before, $after, $area) ? Reason::Travel : null;
    }

    /** Whether the way from the appointment before and to the one after fits between; the first and the last way of a day are free. */
    private function reachable(Service $service, Diary $diary, Frame $frame, int $start, int $end, ?Busy $before, ?Busy $after, string $area): bool
    {
        if ($before !== null && $before->to > $frame->midnight && $before->from < $frame->end && $before->to + 60 * ($service->before + $this->diaries->travel->between($before->area ?? $diary->base, $area)) > $start) {
            return false;
        }

        return $after === null || $after->from >= $frame->end || $after->to <= $frame->midnight || $end + 60 * ($service->after + $this->diaries->travel->between($area, $after->area ?? $diary->base)) <= $after->from;
    }

    /** Whether what the service needs beside it is free at a start. */
    private function together(Service $service, int $start, int $now): bool
    {
        foreach ($service->with as $key) {
            $diary = $this->diaries->diaries[$key] ?? null;
            if ($diary === null) {
                return false;
            }
            $tz = $diary->tz ?? $this->diaries->tz;
            $date = (new \DateTimeImmutable('@'.$start))->setTimezone($tz)->format('Y-m-d');
            $frame = $this->frame($date, $tz);
            $end = $start + 60 * $service->minutes;
            $open = array_filter($this->diaries->open($diary, $frame), static fn (array $one): bool => $start >= $frame->limit($one[0]) && $end <= $frame->limit($one[1]));
            if ($open === [] || $diary->off->has($date) || $this->taken(new Service($service->key, '', $service->minutes, $service->before, $service->after), $diary, $frame, $start, null) !== null) {
                return false;
            }
        }

        return true;
    }

    private function onRaster(Service $service, Frame $frame, int $start, int $from): bool
    {
        for ($minute = $from; $minute < 1440; $minute += $service->step) {
            if ($frame->at($minute) === $start) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Busy> of a day and those beside it, whose margins may reach into it */
    private function around(Diary $diary, Frame $frame): array
    {
        return $this->near[$diary->key][$frame->date] ??= $this->between($diary, $frame->midnight - self::A_DAY, $frame->end + self::A_DAY);
    }

    /** @return list<Busy> that reach into a stretch of time, in order */
    private function between(Diary $diary, int $from, int $to): array
    {
        [$sorted, $longest] = $this->sorted[$diary->key] ??= $this->inOrder($diary);
        $found = [];
        for ($n = self::first($sorted, $from - $longest); isset($sorted[$n]) && $sorted[$n]->from < $to; $n++) {
            if ($sorted[$n]->to > $from) {
                $found[] = $sorted[$n];
            }
        }

        return $found;
    }

    private function begunOn(Diary $diary, string $date, \DateTimeZone $tz): int
    {
        $frame = $this->frame($date, $tz);
        [$sorted] = $this->sorted[$diary->key] ??= $this->inOrder($diary);

        return self::first($sorted, $frame->end) - self::first($sorted, $frame->midnight);
    }

    /** @return array{list<Busy>, int} busy times by their beginning, and how long the longest is */
    private function inOrder(Diary $diary): array
    {
        $begins = [];
        $longest = 0;
        foreach ($diary->busy as $n => $busy) {
            $begins[$n] = $busy->from;
            $longest = max($longest, $busy->to - $busy->from);
        }
        asort($begins);

        return [array_map(static fn (int $n): Busy => $diary->busy[$n], array_keys($begins)), $longest];
    }

    /**
     * Place of the first that begins at a moment or later.
     *
     * @param list<Busy> $sorted
     */
    private static function first(array $sorted, int $from): int
    {
        $low = 0;
        $high = count($sorted);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            $sorted[$middle]->from < $from ? $low = $middle + 1 : $high = $middle;
        }

        return $low;
    }

    private function frame(string $date, \DateTimeZone $tz): Frame
    {
        return $this->frames[$date.$tz->getName()] ??= new Frame($date, $tz);
    }
}
