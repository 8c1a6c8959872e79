<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\Node;

/** Stretches of wall-clock time by weekday: opening hours, or breaks. */
final readonly class Week
{
    public const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    public const DAILY = 'daily';

    /** @param array<int, list<array{int, int}>> $stretches by ISO weekday from 1, in minutes of the day, half open, in order */
    public function __construct(private array $stretches)
    {
    }

    /** Reads `{"mon": ["08:00-12:00", …], …}`; for breaks also `daily`, which adds to every day. */
    public static function read(Node $node, string $key, bool $daily = false): self
    {
        $child = $node->child($key);
        $all = $daily ? self::spans($child, self::DAILY) : [];
        $stretches = [];
        foreach (self::DAYS as $n => $day) {
            $found = [...$all, ...self::spans($child, $day)];
            sort($found);
            $stretches[$n + 1] = $found;
        }
        $child->noMore();

        return new self($stretches);
    }

    /** @return list<array{int, int}> */
    public function on(int $weekday): array
    {
        return $this->stretches[$weekday] ?? [];
    }

    /** @return array<string, list<string>> as it is written */
    public function toArray(): array
    {
        $written = [];
        foreach (self::DAYS as $n => $day) {
            $spans = array_map(static fn (array $span): string => sprintf('%02d:%02d-%02d:%02d', intdiv($span[0], 60), $span[0] % 60, intdiv($span[1], 60), $span[1] % 60), $this->on($n + 1));
            if ($spans !== []) {
                $written[$day] = $spans;
            }
        }

        return $written;
    }

    /** @return list<array{int, int}> the stretches written in a list of one day, in order */
    public static function stretches(Node $node, string $key): array
    {
        $spans = self::spans($node, $key);
        sort($spans);

        return $spans;
    }

    /** @return list<array{int, int}> */
    private static function spans(Node $node, string $day): array
    {
        $spans = [];
        foreach ($node->has($day) ? $node->strings($day) : [] as $i => $text) {
            if (preg_match('/^([01]?\d|2[0-4]):([0-5]\d)\s*[-–]\s*([01]?\d|2[0-4]):([0-5]\d)$/u', trim($text), $m) !== 1) {
                $node->problem("{$day}[{$i}]", "“{$text}” is no stretch of time; write it as 08:00-12:00");

                continue;
            }
            [$from, $to] = [(int) $m[1] * 60 + (int) $m[2], (int) $m[3] * 60 + (int) $m[4]];
            if ($from >= $to || $to > 1440) {
                $node->problem("{$day}[{$i}]", "“{$text}” ends before it begins; a stretch lies within one day");

                continue;
            }
            $spans[] = [$from, $to];
        }

        return $spans;
    }
}
