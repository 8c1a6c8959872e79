<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** Hours that are meant of some days alone: 'Monday morning or Friday afternoon'. */
final readonly class DayHours
{
    /**
     * @param ?list<array{string, string}> $days any of these; null: any day
     * @param ?list<int> $weekdays only these; null: all
     * @param non-empty-list<Span> $times
     */
    public function __construct(public ?array $days, public ?array $weekdays, public array $times)
    {
    }

    public function covers(string $date, int $weekday): bool
    {
        if ($this->weekdays !== null && ! in_array($weekday, $this->weekdays, true)) {
            return false;
        }
        foreach ($this->days ?? [[$date, $date]] as [$from, $to]) {
            if ($date >= $from && $date <= $to) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['days' => $this->days, 'weekdays' => $this->weekdays, 'times' => array_map(static fn (Span $span): array => [$span->from, $span->to, $span->over], $this->times)];
    }

    /** @param array{days: ?list<array{string, string}>, weekdays: ?list<int>, times: non-empty-list<array{int, int, ?int}>} $data as toArray() wrote it */
    public static function fromArray(array $data): self
    {
        return new self($data['days'], $data['weekdays'], array_map(static fn (array $span): Span => new Span(...$span), $data['times']));
    }
}
