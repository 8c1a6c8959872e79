<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/**
 * The clock of one time zone over the years campaigns run in: wall-clock times to moments and back, without a date object for each.
 *
 * Wall-clock times are seconds since 1970-01-01T00:00 on that clock; moments are Unix time. Of a doubled hour the first is meant;
 * a time in a skipped hour moves to the end of it.
 */
final class LocalClock
{
    private const FROM = 315_532_800;   // 1980

    private const TO = 4_102_444_800;   // 2100

    private const DAY = 86_400;

    /** @var list<int> moments at which an offset begins to hold */
    private array $since;

    /** @var list<int> seconds ahead of UTC */
    private array $offsets;

    public readonly string $name;

    private function __construct(\DateTimeZone $zone)
    {
        $this->name = $zone->getName();
        $since = $offsets = [];
        foreach ($zone->getTransitions(self::FROM, self::TO) ?: [['ts' => self::FROM, 'offset' => 0]] as $one) {
            if ($offsets === [] || end($offsets) !== $one['offset']) {
                $since[] = $one['ts'];
                $offsets[] = $one['offset'];
            }
        }
        $this->since = $since;
        $this->offsets = $offsets;
    }

    /** @throws \DomainException where the tz database has no such zone */
    public static function of(string $name): self
    {
        try {
            return new self(new \DateTimeZone($name));
        } catch (\Exception) {
            throw new \DomainException("“{$name}” is no time zone; write it as Europe/London");
        }
    }

    /** Seconds ahead of UTC. */
    public function offset(int $moment): int
    {
        return $this->offsets[$this->stretch($moment)];
    }

    public function wall(int $moment): int
    {
        return $moment + $this->offset($moment);
    }

    public function moment(int $wall): int
    {
        $before = $this->offset($wall - self::DAY);
        $after = $this->offset($wall + self::DAY);
        foreach ($before === $after ? [$before] : [max($before, $after), min($before, $after)] as $offset) {
            if ($this->offset($wall - $offset) === $offset) {
                return $wall - $offset;
            }
        }

        // No offset gives this time: it is skipped, and the clocks change between the two.
        return $this->since[$this->stretch($wall + self::DAY)];
    }

    /**
     * The moments at which wall-clock times of a stretch hold, half open; two where the clocks go back in it.
     *
     * @return list<array{int, int}>
     */
    public function moments(int $from, int $to): array
    {
        $pieces = [];
        $last = $this->stretch($to + self::DAY);
        for ($n = $this->stretch($from - self::DAY); $n <= $last; $n++) {
            $begins = max($from - ($this->offsets[$n] ?? 0), $n === 0 ? PHP_INT_MIN : ($this->since[$n] ?? PHP_INT_MIN));
            $ends = min($to - $this->offsets[$n], $this->since[$n + 1] ?? PHP_INT_MAX);
            if ($begins < $ends) {
                $pieces[] = [$begins, $ends];
            }
        }

        return $pieces;
    }

    /** How far ahead of UTC the clock is over a year, on average; seconds. */
    public function ahead(int $moment): float
    {
        $sum = 0;
        for ($week = 0; $week < 52; $week++) {
            $sum += $this->offset($moment + $week * 7 * self::DAY);
        }

        return $sum / 52;
    }

    /** ISO 8601 with the offset, to the minute: 2026-05-05T10:00+01:00. */
    public function written(int $moment): string
    {
        $offset = $this->offset($moment);
        $minutes = intdiv(abs($offset), 60);

        return gmdate('Y-m-d\TH:i', $moment + $offset).sprintf('%s%02d:%02d', $offset < 0 ? '-' : '+', intdiv($minutes, 60), $minutes % 60);
    }

    private function stretch(int $moment): int
    {
        $low = 0;
        $high = count($this->since) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            $this->since[$middle] <= $moment ? $low = $middle : $high = $middle - 1;
        }

        return $low;
    }
}
