<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** Appointments that come again: every so many weeks, or every month on the same weekday of it, so many times. */
final readonly class Series
{
    public const WEEKS = 'weeks';

    public const MONTHS = 'months';

    /**
     * @param string $unit WEEKS or MONTHS
     * @param int $every from one to the next, in units; 1 or more
     * @param int $times how many there are with the first; 2 or more
     */
    public function __construct(public string $unit, public int $every, public int $times)
    {
    }

    /**
     * When they begin: the same wall-clock hour each time. 'Every month' keeps the weekday and its place in the month; where that
     * is the fifth, the last of each month.
     *
     * @return list<int> seconds since 1970; the first is $first
     */
    public function from(int $first, \DateTimeZone $tz): array
    {
        $start = (new \DateTimeImmutable('@'.$first))->setTimezone($tz);
        $starts = [$first];
        for ($n = 1; $n < $this->times; $n++) {
            $next = $this->unit === self::WEEKS ? $start->modify('+'.(7 * $n * $this->every).' days') : $this->inMonth($start, $n * $this->every);
            $starts[] = $next->setTime((int) $start->format('G'), (int) $start->format('i'))->getTimestamp();
        }

        return $starts;
    }

    private function inMonth(\DateTimeImmutable $start, int $months): \DateTimeImmutable
    {
        $month = $start->modify('first day of this month')->modify("+{$months} months");
        $first = ((int) $start->format('N') - (int) $month->format('N') + 7) % 7;
        $day = 1 + $first + 7 * intdiv((int) $start->format('j') - 1, 7);

        return $month->setDate((int) $month->format('Y'), (int) $month->format('n'), $day > (int) $month->format('t') ? $day - 7 : $day);
    }
}
