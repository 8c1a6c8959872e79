<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/** How many calls come in each hour of a week, and how long they last, counted over several weeks. */
final class Week
{
    /** @var array<int, array<int, array<int, int>>> calls by weekday (1 is Monday), hour and week */
    private array $calls = [];

    private float $seconds = 0.0;

    private int $all = 0;

    /** @param int $weeks weeks that are counted, 1 or more */
    public function __construct(public readonly int $weeks)
    {
    }

    /**
     * @param int $weekday ISO, 1 to 7
     * @param int $hour 0 to 23, in which it began
     * @param int $week which of the weeks, from 0
     * @param float $seconds how long it lasted
     */
    public function add(int $weekday, int $hour, int $week, float $seconds): void
    {
        $this->calls[$weekday][$hour][$week] = ($this->calls[$weekday][$hour][$week] ?? 0) + 1;
        $this->seconds += $seconds;
        $this->all++;
    }

    /** Calls in that hour on average. */
    public function mean(int $weekday, int $hour): float
    {
        return array_sum($this->calls[$weekday][$hour] ?? []) / $this->weeks;
    }

    /** Calls in that hour in the week in which most came. */
    public function most(int $weekday, int $hour): int
    {
        return max(0, ...array_values($this->calls[$weekday][$hour] ?? [0]));
    }

    public function calls(): int
    {
        return $this->all;
    }

    /** Mean length of a call in seconds; null where there was none. */
    public function length(): ?float
    {
        return $this->all === 0 ? null : $this->seconds / $this->all;
    }

    /** @return array{int, int} first and last hour in which a call came; a working day where none did */
    public function hours(): array
    {
        $hours = array_merge(...array_map(array_keys(...), array_values($this->calls)));

        return $hours === [] ? [8, 17] : [min($hours), max($hours)];
    }

    /** @return ?array{int, int} weekday and hour with the most calls on average */
    public function busiest(): ?array
    {
        $best = null;
        $most = 0.0;
        foreach ($this->calls as $weekday => $hours) {
            foreach (array_keys($hours) as $hour) {
                if ($this->mean($weekday, $hour) > $most) {
                    [$best, $most] = [[$weekday, $hour], $this->mean($weekday, $hour)];
                }
            }
        }

        return $best;
    }
}
