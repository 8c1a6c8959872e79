<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/**
 * When a caller would like an appointment, as far as it was said: days, parts of the day, what is out of the question, and with whom.
 * Later wishes are laid upon earlier ones: a new day replaces the day and keeps the part of the day, and the other way round.
 *
 * Dates are first and last day, ISO 8601.
 *
 * @phpstan-type Dates array{string, string}
 */
final readonly class Wish
{
    public const NEVER = '9999-12-31';

    public const EVER = '0001-01-01';

    /**
     * @param ?list<Dates> $days any of these; null: any day
     * @param ?list<int> $weekdays only these, ISO from 1; null: all
     * @param list<Dates> $notDays
     * @param list<int> $notWeekdays
     * @param ?list<Span> $times any of these; null: any time
     * @param list<Span> $notTimes
     * @param ?string $half how an hour without am or pm is read: am or pm
     * @param ?string $order earliest or latest
     * @param bool $firstOfDay only the first free start of a day
     * @param ?string $with key of the diary that is wished for
     * @param ?Dates $frame the week or month in force, in which a weekday lies
     * @param ?int $after only starts after this moment: 'later'
     * @param ?int $before only starts before this moment: 'earlier'
     * @param list<DayHours> $byDay hours told day by day; on the days that they cover they stand in place of the others
     * @param list<DayHours> $notByDay hours that are ruled out on some days alone
     */
    public function __construct(
        public ?array $days = null,
        public ?array $weekdays = null,
        public array $notDays = [],
        public array $notWeekdays = [],
        public ?array $times = null,
        public array $notTimes = [],
        public ?string $half = null,
        public ?string $order = null,
        public bool $firstOfDay = false,
        public ?string $with = null,
        public ?array $frame = null,
        public ?int $after = null,
        public ?int $before = null,
        public array $byDay = [],
        public array $notByDay = [],
    ) {
    }

    /** @param array<string, mixed> $changes by property */
    public function but(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $data = get_object_vars($this);
        $data['times'] = $this->times === null ? null : array_map(static fn (Span $span): array => [$span->from, $span->to, $span->over], $this->times);
        $data['notTimes'] = array_map(static fn (Span $span): array => [$span->from, $span->to, $span->over], $this->notTimes);
        $data['byDay'] = array_map(static fn (DayHours $hours): array => $hours->toArray(), $this->byDay);
        $data['notByDay'] = array_map(static fn (DayHours $hours): array => $hours->toArray(), $this->notByDay);

        return $data;
    }

    /** @param array<string, mixed> $data as toArray() wrote it */
    public static function fromArray(array $data): self
    {
        $data['times'] = is_array($data['times'] ?? null) ? array_map(static fn (array $span): Span => new Span(...$span), $data['times']) : null;
        $data['notTimes'] = array_map(static fn (array $span): Span => new Span(...$span), is_array($data['notTimes'] ?? null) ? $data['notTimes'] : []);

        foreach (['byDay', 'notByDay'] as $name) {
            $data[$name] = array_map(DayHours::fromArray(...), is_array($data[$name] ?? null) ? $data[$name] : []);
        }

        return new self(...$data);
    }

    /** Whether a day is wished for, whatever the time. */
    public function day(string $date, int $weekday): bool
    {
        return ! $this->excluded($date, $weekday) && ($this->weekdays === null || in_array($weekday, $this->weekdays, true)) && ($this->days === null || self::within($date, $this->days));
    }

    /** Whether a day is out of the question. */
    public function excluded(string $date, int $weekday): bool
    {
        return in_array($weekday, $this->notWeekdays, true) || self::within($date, $this->notDays);
    }

    /** Whether a start is wished for, by its minute of the day; the day is day() to tell. */
    public function time(int $minute, int $length, string $date, int $weekday): bool
    {
        if ($this->excludedTime($minute, $date, $weekday)) {
            return false;
        }
        foreach ($this->timesOn($date, $weekday) ?? [new Span] as $span) {
            if ($minute >= $span->from && $minute < $span->endFor($length)) {
                return true;
            }
        }

        return false;
    }

    /** @return ?list<Span> the hours wished for on a day; null: any */
    public function timesOn(string $date, int $weekday): ?array
    {
        $times = [];
        foreach ($this->byDay as $hours) {
            array_push($times, ...($hours->covers($date, $weekday) ? $hours->times : []));
        }

        return $times === [] ? $this->times : $times;
    }

    /** Whether an hour is out of the question. */
    public function excludedTime(int $minute, string $date, int $weekday): bool
    {
        $out = $this->notTimes;
        foreach ($this->notByDay as $hours) {
            array_push($out, ...($hours->covers($date, $weekday) ? $hours->times : []));
        }
        foreach ($out as $span) {
            if ($minute >= $span->from && $minute < $span->to) {
                return true;
            }
        }

        return false;
    }

    /** The newest wins: hours that were ruled out before, and are wished for now, are so no longer. */
    public function overruling(self $before): self
    {
        if ($this->times === null || $this->times == $before->times && $this->byDay == $before->byDay) {
            return $this;
        }
        $wished = $this->times;
        $stands = static fn (Span $out): bool => array_filter($wished, static fn (Span $one): bool => $one->from >= $out->from && $one->to <= $out->to) === [];
        $days = array_filter($this->days ?? [], static fn (array $day): bool => $day[0] === $day[1]);
        $named = static fn (DayHours $hours): bool => array_filter($days, static fn (array $day): bool => $hours->covers($day[0], (int) (new \DateTimeImmutable($day[0]))->format('N'))) !== [];

        return $this->but([
            'notTimes' => [...array_filter($before->notTimes, $stands), ...array_filter(array_slice($this->notTimes, count($before->notTimes)), static fn (Span $out): bool => array_filter($wished, static fn (Span $one): bool => $one->from >= $out->from && $one->to <= $out->to) !== $wished)],
            'notByDay' => [...array_filter($before->notByDay, static fn (DayHours $hours): bool => ! $named($hours) || array_filter($hours->times, $stands) !== []), ...array_slice($this->notByDay, count($before->notByDay))],
        ]);
    }

    public function isEmpty(): bool
    {
        return $this->but(['frame' => null, 'half' => null]) == new self;
    }

    /** @param list<Dates> $spans */
    private static function within(string $date, array $spans): bool
    {
        foreach ($spans as [$from, $to]) {
            if ($date >= $from && $date <= $to) {
                return true;
            }
        }

        return false;
    }
}
