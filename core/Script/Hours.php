<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Brief\OpeningHours;
use Ringo\Document\Node;

/**
 * When a business is open: ranges of the week, and closures that override them.
 *
 * @phpstan-type Range array{from: string, to: string}
 */
final readonly class Hours
{
    private const DAYS = ['mon' => 1, 'tue' => 2, 'wed' => 3, 'thu' => 4, 'fri' => 5, 'sat' => 6, 'sun' => 7];

    /**
     * @param array<int, list<Range>> $week by ISO weekday
     * @param array<string, string> $closures date => why
     * @param ?OpeningHours $brief the hours of the business, where the script has none of its own
     */
    private function __construct(public array $week, public array $closures, private ?OpeningHours $brief = null)
    {
    }

    /** As the brief of the business has them, with its seasons, holidays and closures. */
    public static function of(OpeningHours $brief): self
    {
        $week = array_fill(1, 7, []);
        foreach (array_keys($week) as $day) {
            $week[$day] = self::ranges($brief->week->on($day));
        }

        return new self($week, [], $brief);
    }

    public static function read(Node $node): self
    {
        $week = array_fill(1, 7, []);
        foreach (self::DAYS as $name => $day) {
            foreach ($node->strings($name) as $range) {
                if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)-([01]\d|2[0-4]):([0-5]\d)$/', $range) !== 1 || substr($range, 0, 5) >= substr($range, 6)) {
                    $node->problem($name, "“{$range}” is no range of hours; write 07:30-17:00");

                    continue;
                }
                $week[$day][] = ['from' => substr($range, 0, 5), 'to' => substr($range, 6)];
            }
        }
        $closures = [];
        foreach ($node->children('closures') as $closure) {
            $date = $closure->string('date');
            if (preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $date, $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
                $closure->problem('date', "“{$date}” is no date; write 2026-12-25");
            }
            $closures[$date] = $closure->string('why', '');
            $closure->noMore();
        }
        $node->noMore();

        return new self($week, $closures);
    }

    public function given(): bool
    {
        return array_filter($this->week) !== [];
    }

    /** Why the business is closed, or open otherwise than usual, on a day; empty where it is as usual or nobody says. */
    public function why(\DateTimeImmutable $day): string
    {
        return $this->brief === null ? $this->closures[$day->format('Y-m-d')] ?? '' : $this->brief->on($day->format('Y-m-d'))->why;
    }

    /** @return list<Range> the open ranges of a day, none where it is closed */
    public function on(\DateTimeImmutable $day): array
    {
        if ($this->brief !== null) {
            return self::ranges($this->brief->on($day->format('Y-m-d'))->open);
        }

        return isset($this->closures[$day->format('Y-m-d')]) ? [] : $this->week[(int) $day->format('N')];
    }

    /**
     * @param list<array{int, int}> $open in minutes of the day
     *
     * @return list<Range>
     */
    private static function ranges(array $open): array
    {
        return array_map(static fn (array $span): array => ['from' => sprintf('%02d:%02d', intdiv($span[0], 60), $span[0] % 60), 'to' => sprintf('%02d:%02d', intdiv($span[1], 60), $span[1] % 60)], $open);
    }

    public function openAt(\DateTimeImmutable $moment): bool
    {
        $clock = $moment->format('H:i');
        foreach ($this->on($moment) as $range) {
            if ($clock >= $range['from'] && $clock < $range['to']) {
                return true;
            }
        }

        return false;
    }

    /** The next moment the business opens, within three weeks. */
    public function nextOpening(\DateTimeImmutable $after): ?\DateTimeImmutable
    {
        for ($ahead = 0; $ahead <= 21; $ahead++) {
            $day = $after->modify("+{$ahead} days");
            foreach ($this->on($day) as $range) {
                $opens = $day->modify($range['from']);
                if ($opens > $after) {
                    return $opens;
                }
            }
        }

        return null;
    }
}
