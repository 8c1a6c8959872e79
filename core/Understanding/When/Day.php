<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

/**
 * A day as it was said, before it is reckoned from today: some of weekday, day, month, year, or a distance.
 *
 * A later saying replaces parts of an earlier one and keeps the rest ('the twelfth of March, no, April').
 */
final readonly class Day
{
    /** Months that a day without a year is looked for behind. */
    private const LATELY = 24;

    /**
     * @param string $which '', 'this', 'next' or 'last', said with a weekday
     * @param ?int $weeks calendar weeks after this one: 1 for 'next week', 2 for 'the week after next'
     * @param int $plus days added at the end ('a week on Tuesday' adds 7)
     * @param ?int $months calendar months after this one, said with a day or a weekday ('the third of next month')
     * @param ?array{int, string} $offset a distance from today: amount and unit (day, week, month, year)
     * @param ?int $nth which such weekday of the month, from 1; -1 is the last
     * @param ?int $easter days after Easter Sunday
     */
    public function __construct(
        public ?int $weekday = null,
        public string $which = '',
        public ?int $weeks = null,
        public ?int $day = null,
        public ?int $month = null,
        public ?int $year = null,
        public ?int $months = null,
        public ?array $offset = null,
        public ?int $nth = null,
        public ?int $easter = null,
        public int $plus = 0,
        public bool $lastDay = false,
        public ?\DateTimeImmutable $exact = null,
    ) {
    }

    /** This saying after an earlier one that it corrects. */
    public function after(?self $earlier, \DateTimeImmutable $now): self
    {
        if ($earlier === null || $this->offset !== null || $this->exact !== null || $this->easter !== null || $this->nth !== null) {
            return $this;
        }
        // Only the month, the year or the week is new.
        if ($this->day === null && $this->weekday === null && ! $this->lastDay) {
            return $earlier->with(['month' => $this->month, 'year' => $this->year, 'months' => $this->months, 'weeks' => $this->weeks], $this->month !== null ? ['weekday', 'months'] : []);
        }
        // Only a new day of the month: month and year stay, the old weekday goes.
        if ($this->day !== null && $this->month === null && $this->months === null && $this->weekday === null && ($earlier->month !== null || $earlier->months !== null)) {
            return $earlier->with(['day' => $this->day, 'year' => $this->year], ['weekday', 'nth', 'lastDay']);
        }
        if ($this->day !== null && $this->month !== null && $this->year === null && $earlier->year !== null) {
            return $this->with(['year' => $earlier->year]);
        }
        if ($this->weekday !== null && $this->day === null && $this->which === '' && $this->weeks === null) {
            if ($earlier->weekday !== null && $earlier->day === null) {
                return $earlier->with(['weekday' => $this->weekday]);
            }
            // 'Tuesday the fourteenth, no, Wednesday': the Wednesday of that week.
            $was = $earlier->day !== null ? $earlier->resolve($now) : null;
            if ($was !== null) {
                return new self(exact: $was->modify('monday this week')->modify('+'.($this->weekday - 1).' days'));
            }
        }

        return $this;
    }

    /**
     * The date meant, at midnight in the zone of `now`; null where there is no such date.
     *
     * @param bool $past whether it lies behind: 'Tuesday' is the last one, 'the fifth of March' the latest
     */
    public function resolve(\DateTimeImmutable $now, bool $past = false): ?\DateTimeImmutable
    {
        $today = $now->setTime(0, 0);
        $date = $past ? $this->lately($today) : $this->base($today);
        if ($date === null) {
            return null;
        }
        $date = $this->plus === 0 ? $date : ($date->modify(sprintf('%+d days', $this->plus)) ?: $date);
        $year = (int) $date->format('Y');

        return $year >= 1000 && $year <= 9999 ? $date : null;
    }

    private function lately(\DateTimeImmutable $today): ?\DateTimeImmutable
    {
        $open = $this->which === ''
            && $this->weeks === null
            && $this->months === null
            && $this->year === null
            && $this->plus === 0
            && $this->exact === null
            && $this->offset === null;
        if ($open && $this->weekday !== null && $this->day === null && $this->nth === null) {
            return $this->with(['which' => 'last'])->base($today);
        }
        $date = $this->base($today);
        if (! $open || $date !== null && $date <= $today) {
            return $date;
        }
        $months = $this->month !== null || $this->easter !== null || $this->nth !== null ? 12 : 1;
        for ($back = $months; $back <= self::LATELY; $back += $months) {
            $earlier = $this->base($today->modify("-{$back} months"));
            if ($earlier !== null && $earlier <= $today) {
                return $earlier;
            }
        }

        return $date;
    }

    private function base(\DateTimeImmutable $today): ?\DateTimeImmutable
    {
        if ($this->exact !== null) {
            return $this->exact;
        }
        if ($this->offset !== null) {
            return $this->shifted($today, ...$this->offset);
        }
        if ($this->easter !== null) {
            return $this->fromEaster($today);
        }
        if ($this->nth !== null) {
            return $this->nthWeekday($today);
        }
        if ($this->lastDay) {
            $first = $this->monthMeant($today);

            return $first?->modify('last day of this month');
        }
        if ($this->day !== null) {
            return $this->dayOfMonth($today);
        }
        if ($this->weekday !== null) {
            return $this->dayOfWeek($today);
        }

        return null;
    }

    private function dayOfWeek(\DateTimeImmutable $today): \DateTimeImmutable
    {
        $monday = $today->modify('monday this week');
        $offset = (int) $this->weekday - 1;
        if ($this->weeks !== null) {
            return $monday->modify(sprintf('%+d days', 7 * $this->weeks + $offset));
        }
        if ($this->which === 'next') {
            return $monday->modify(sprintf('%+d days', 7 + $offset));
        }
        $ahead = ((int) $this->weekday - (int) $today->format('N') + 7) % 7;
        if ($this->which === 'last') {
            $back = ((int) $today->format('N') - (int) $this->weekday + 7) % 7;

            return $today->modify('-'.($back === 0 ? 7 : $back).' days');
        }

        return $today->modify('+'.($ahead === 0 ? 7 : $ahead).' days');
    }

    private function dayOfMonth(\DateTimeImmutable $today): ?\DateTimeImmutable
    {
        $first = $this->monthMeant($today);
        if ($first === null || $this->day < 1 || $this->day > 31) {
            return null;
        }
        $date = $this->exactly((int) $first->format('Y'), (int) $first->format('n'), (int) $this->day, $today);
        if ($this->weekday === null) {
            // 'The thirty-first' in November is that of December.
            $next = $first->modify('+1 month');

            return $date ?? ($this->month !== null || $this->months !== null ? null : $this->exactly((int) $next->format('Y'), (int) $next->format('n'), (int) $this->day, $today));
        }
        if ($date !== null && (int) $date->format('N') === $this->weekday) {
            return $date;
        }
        if ($this->month !== null || $this->months !== null) {
            return null;
        }
        // 'Tuesday the fourteenth': the next month in which the fourteenth is a Tuesday, at most two months off.
        for ($ahead = 1; $ahead <= 2; $ahead++) {
            $next = $first->modify("+{$ahead} months");
            $date = $this->exactly((int) $next->format('Y'), (int) $next->format('n'), (int) $this->day, $today);
            if ($date !== null && (int) $date->format('N') === $this->weekday) {
                return $date;
            }
        }

        return null;
    }

    /** The first day of the month meant. */
    private function monthMeant(\DateTimeImmutable $today): ?\DateTimeImmutable
    {
        $year = (int) $today->format('Y');
        $month = (int) $today->format('n');
        if ($this->months !== null) {
            return $today->modify('first day of this month')->modify(sprintf('%+d months', $this->months));
        }
        if ($this->month !== null) {
            if ($this->month < 1 || $this->month > 12) {
                return null;
            }
            $past = $this->day !== null
                ? sprintf('%02d-%02d', $this->month, $this->day) < $today->format('m-d')
                : $this->month < $month;

            return $today->setDate($this->year ?? ($past ? $year + 1 : $year), $this->month, 1);
        }
        $first = $today->modify('first day of this month');

        return $this->day !== null && $this->day < (int) $today->format('j') ? $first->modify('+1 month') : $first;
    }

    private function nthWeekday(\DateTimeImmutable $today): ?\DateTimeImmutable
    {
        $first = $this->monthMeant($today) ?? $today->modify('first day of this month');
        $date = $this->nthIn($first);
        if ($date !== null && $date < $today && $this->month !== null && $this->year === null) {
            $date = $this->nthIn($first->modify('+1 year'));
        }

        return $date;
    }

    private function nthIn(\DateTimeImmutable $first): ?\DateTimeImmutable
    {
        if ($this->nth === -1) {
            $last = $first->modify('last day of this month');
            $back = ((int) $last->format('N') - (int) $this->weekday + 7) % 7;

            return $last->modify("-{$back} days") ?: null;
        }
        $ahead = ((int) $this->weekday - (int) $first->format('N') + 7) % 7;
        $date = $first->modify('+'.($ahead + 7 * ((int) $this->nth - 1)).' days') ?: $first;

        return $date->format('m') === $first->format('m') ? $date : null;
    }

    private function fromEaster(\DateTimeImmutable $today): \DateTimeImmutable
    {
        $year = $this->year ?? (int) $today->format('Y');
        $date = $this->easterSunday($year, $today)->modify(sprintf('%+d days', (int) $this->easter));
        if ($date < $today && $this->year === null) {
            $date = $this->easterSunday($year + 1, $today)->modify(sprintf('%+d days', (int) $this->easter));
        }

        return $date;
    }

    /** Anonymous Gregorian algorithm (J. Meeus, Astronomical Algorithms, chapter 8). */
    private function easterSunday(int $year, \DateTimeImmutable $today): \DateTimeImmutable
    {
        $a = $year % 19;
        $b = intdiv($year, 100);
        $c = $year % 100;
        $h = (19 * $a + $b - intdiv($b, 4) - intdiv($b - intdiv($b + 8, 25) + 1, 3) + 15) % 30;
        $l = (32 + 2 * ($b % 4) + 2 * intdiv($c, 4) - $h - $c % 4) % 7;
        $m = intdiv($a + 11 * $h + 22 * $l, 451);
        $n = $h + $l - 7 * $m + 114;

        return $today->setDate($year, intdiv($n, 31), $n % 31 + 1);
    }

    private function shifted(\DateTimeImmutable $today, int $amount, string $unit): ?\DateTimeImmutable
    {
        if (abs($amount) > 3660) {
            return null;
        }
        if ($unit === 'day' || $unit === 'week') {
            return $today->modify(sprintf('%+d days', $unit === 'week' ? 7 * $amount : $amount));
        }
        $months = $unit === 'year' ? 12 * $amount : $amount;
        $first = $today->modify('first day of this month')->modify(sprintf('%+d months', $months));
        // A month on from the 31st is the last day of a shorter month (ISO 8601 leaves it open; so people reckon).
        $day = min((int) $today->format('j'), (int) $first->format('t'));

        return $first->setDate((int) $first->format('Y'), (int) $first->format('n'), $day);
    }

    private function exactly(int $year, int $month, int $day, \DateTimeImmutable $today): ?\DateTimeImmutable
    {
        return checkdate($month, $day, $year) ? $today->setDate($year, $month, $day) : null;
    }

    /**
     * @param array<string, mixed> $changes null leaves a part alone
     * @param list<string> $dropped
     */
    private function with(array $changes, array $dropped = []): self
    {
        $parts = get_object_vars($this);
        foreach ($dropped as $part) {
            $parts[$part] = $part === 'lastDay' ? false : null;
        }
        foreach ($changes as $part => $value) {
            if ($value !== null) {
                $parts[$part] = $value;
            }
        }

        return new self(...$parts);
    }
}
