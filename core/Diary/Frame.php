<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** One local day: its wall-clock minutes as moments. An hour the clocks skip does not exist; of a doubled hour the first is meant. */
final readonly class Frame
{
    public int $midnight;

    public int $end;

    private bool $plain;

    public int $weekday;

    public function __construct(public string $date, private \DateTimeZone $tz)
    {
        $day = new \DateTimeImmutable($date.' 00:00', $tz);
        $next = new \DateTimeImmutable($date.' 00:00 +1 day', $tz);
        $this->midnight = $day->getTimestamp();
        $this->end = $next->getTimestamp();
        $this->plain = $this->end - $this->midnight === 86_400 && $day->getOffset() === $next->getOffset();
        $this->weekday = (int) $day->format('N');
    }

    /** The moment of a minute of the day, 0 to 1440; null where the clocks skip it. */
    public function at(int $minute): ?int
    {
        if ($this->plain) {
            return $this->midnight + 60 * $minute;
        }
        if ($minute === 1440) {
            return $this->end;
        }
        $wall = sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
        $moment = new \DateTimeImmutable("{$this->date} {$wall}", $this->tz);

        return $moment->format('H:i') === $wall ? $moment->getTimestamp() : null;
    }

    /** The moment of a limit, which a skipped hour moves to its end. */
    public function limit(int $minute): int
    {
        for ($m = $minute; $m <= 1440; $m++) {
            $moment = $this->at($m);
            if ($moment !== null) {
                return $moment;
            }
        }

        return $this->end;
    }
}
