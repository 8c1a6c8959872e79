<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** The zones somebody may be in, and the moments at which the campaign's windows are open in every one of them. */
final readonly class Zones
{
    private const DAY = 86_400;

    /**
     * @param LocalClock $own the clock furthest behind: in it their times are told
     * @param list<array{int, int}> $open moments, half open, in order, apart from each other
     */
    private function __construct(public LocalClock $own, public array $open)
    {
    }

    /** @param non-empty-list<LocalClock> $clocks */
    public static function of(array $clocks, Campaign $campaign): self
    {
        $own = $clocks[0];
        foreach ($clocks as $clock) {
            $own = $clock->ahead($campaign->start) < $own->ahead($campaign->start) ? $clock : $own;
        }
        // From the first minute of the first day to the last of the last, on their own clock.
        $open = [[$own->moment($campaign->start), $own->moment($campaign->end + self::DAY)]];
        $seen = [];
        foreach ($clocks as $clock) {
            $hours = self::hours($clock, $campaign);
            // Many zones keep one clock: each is counted once.
            $key = md5(serialize($hours));
            $open = isset($seen[$key]) ? $open : self::both($open, $hours);
            $seen[$key] = true;
        }

        return new self($own, $open);
    }

    /** The first open moment from one on, or null. */
    public function from(int $moment): ?int
    {
        $low = 0;
        $high = count($this->open);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $this->open[$middle][1] > $moment ? $high = $middle : $low = $middle + 1;
        }

        return isset($this->open[$low]) ? max($moment, $this->open[$low][0]) : null;
    }

    /** @return list<array{int, int}> */
    private static function hours(LocalClock $clock, Campaign $campaign): array
    {
        $hours = [];
        for ($day = $campaign->start - 2 * self::DAY; $day <= $campaign->end + 2 * self::DAY; $day += self::DAY) {
            if ($campaign->holidays->has(gmdate('Y-m-d', $day))) {
                continue;
            }
            foreach ($campaign->windows->on((int) gmdate('N', $day)) as [$from, $to]) {
                array_push($hours, ...$clock->moments($day + 60 * $from, $day + 60 * $to));
            }
        }
        sort($hours);
        $merged = [];
        foreach ($hours as [$from, $to]) {
            if ($merged !== [] && $from <= $merged[count($merged) - 1][1]) {
                $merged[count($merged) - 1][1] = max($to, $merged[count($merged) - 1][1]);
            } else {
                $merged[] = [$from, $to];
            }
        }

        return $merged;
    }

    /**
     * @param list<array{int, int}> $one
     * @param list<array{int, int}> $other
     *
     * @return list<array{int, int}>
     */
    private static function both(array $one, array $other): array
    {
        $both = [];
        for ($i = $j = 0; $i < count($one) && $j < count($other);) {
            $from = max($one[$i][0], $other[$j][0]);
            $to = min($one[$i][1], $other[$j][1]);
            if ($from < $to) {
                $both[] = [$from, $to];
            }
            $one[$i][1] < $other[$j][1] ? $i++ : $j++;
        }

        return $both;
    }
}
