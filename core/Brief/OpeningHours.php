<?php

declare(strict_types=1);

namespace Ringo\Brief;

use Ringo\Diary\Week;
use Ringo\Document\Node;

/**
 * When a business is open: the week, other weeks in their season, public holidays, closures, and single days with hours of their own.
 *
 * What is nearer to one day goes first: the hours of that very day, then a closure, then a holiday, then the season, then the week.
 *
 * @phpstan-type Season array{name: string, from: string, to: string, week: Week}
 * @phpstan-type Closure array{from: string, to: string, why: string}
 * @phpstan-type Single array{open: list<array{int, int}>, why: string}
 */
final readonly class OpeningHours
{
    private ?Holidays $holidays;

    /**
     * @param list<Season> $seasons month and day, `06-01`, both ends within it; one may reach over New Year
     * @param list<Closure> $closures first and last day
     * @param array<string, Single> $days single days by date
     * @param ?string $region whose public holidays are kept
     * @param list<string> $openOn names of holidays on which it is open all the same
     */
    public function __construct(public Week $week, public array $seasons = [], public array $closures = [], public array $days = [], public ?string $region = null, public array $openOn = [])
    {
        $this->holidays = $region === null ? null : new Holidays($region);
    }

    /** Reads `hours`, `seasons`, `closures`, `days` and `holidays` of a brief. */
    public static function read(Node $node): self
    {
        $holidays = $node->child('holidays');
        $region = $holidays->optional('region');
        if ($region !== null && ! isset(Holidays::REGIONS[$region])) {
            $holidays->problem('region', "“{$region}” is not one of ".implode(', ', array_keys(Holidays::REGIONS)));
            $region = null;
        }
        $openOn = $holidays->strings('open');
        $holidays->noMore();

        return new self(Week::read($node, 'hours'), self::readSeasons($node), self::readClosures($node), self::readDays($node), $region, $openOn);
    }

    public function given(): bool
    {
        return $this->week->toArray() !== [];
    }

    /** @param string $date ISO 8601 */
    public function on(string $date): OpenDay
    {
        if (isset($this->days[$date])) {
            return new OpenDay($this->days[$date]['open'], $this->days[$date]['why'], false);
        }
        foreach ($this->closures as $closure) {
            if ($date >= $closure['from'] && $date <= $closure['to']) {
                return new OpenDay([], $closure['why'], false);
            }
        }
        $holiday = $this->holiday($date);
        if ($holiday !== null) {
            return new OpenDay([], $holiday, false);
        }
        $weekday = (int) (new \DateTimeImmutable($date, new \DateTimeZone('UTC')))->format('N');
        foreach ($this->seasons as $season) {
            if ($this->within(substr($date, 5), $season)) {
                return new OpenDay($season['week']->on($weekday), $season['name'], false);
            }
        }

        return new OpenDay($this->week->on($weekday), '', true);
    }

    /** The public holiday on which it is closed, if the day is one. */
    public function holiday(string $date): ?string
    {
        $name = $this->holidays?->of((int) substr($date, 0, 4))[$date] ?? null;

        return $name === null || in_array(explode(', in lieu', $name)[0], $this->openOn, true) ? null : $name;
    }

    /**
     * Days that are not as in an ordinary week, in order: holidays, closures, single days.
     *
     * @return array<string, OpenDay> by date
     */
    public function unusual(string $from, string $to): array
    {
        $seasons = array_column($this->seasons, 'name');

        return array_filter($this->apart($from, $to), static fn (OpenDay $one): bool => ! in_array($one->why, $seasons, true));
    }

    /**
     * Days on which the hours are others than in an ordinary week, seasons among them.
     *
     * @return array<string, OpenDay> by date
     */
    public function apart(string $from, string $to): array
    {
        $days = [];
        if ($this->region === null && $this->closures === [] && $this->days === [] && $this->seasons === []) {
            return $days;
        }
        for ($day = new \DateTimeImmutable($from, new \DateTimeZone('UTC')); $day->format('Y-m-d') <= $to; $day = $day->modify('+1 day')) {
            $one = $this->on($day->format('Y-m-d'));
            if (! $one->usual) {
                $days[$day->format('Y-m-d')] = $one;
            }
        }

        return $days;
    }

    /** @return array<string, mixed> as it is written */
    public function toArray(): array
    {
        return array_filter([
            'hours' => $this->week->toArray(),
            'seasons' => array_map(static fn (array $one): array => ['name' => $one['name'], 'from' => $one['from'], 'to' => $one['to'], 'hours' => $one['week']->toArray()], $this->seasons),
            'closures' => $this->closures,
            'days' => array_map(static fn (string $date, array $one): array => ['date' => $date, 'hours' => array_map(self::written(...), $one['open']), 'why' => $one['why']], array_keys($this->days), $this->days),
            'holidays' => $this->region === null ? [] : ['region' => $this->region] + ($this->openOn === [] ? [] : ['open' => $this->openOn]),
        ]);
    }

    /** @param array{int, int} $span */
    public static function written(array $span): string
    {
        return sprintf('%02d:%02d-%02d:%02d', intdiv($span[0], 60), $span[0] % 60, intdiv($span[1], 60), $span[1] % 60);
    }

    /** @param Season $season */
    private function within(string $monthDay, array $season): bool
    {
        return $season['from'] <= $season['to'] ? $monthDay >= $season['from'] && $monthDay <= $season['to'] : $monthDay >= $season['from'] || $monthDay <= $season['to'];
    }

    /** @return list<Season> */
    private static function readSeasons(Node $node): array
    {
        $seasons = [];
        foreach ($node->children('seasons') as $one) {
            $season = ['name' => $one->string('name'), 'from' => $one->string('from'), 'to' => $one->string('to'), 'week' => Week::read($one, 'hours')];
            foreach (['from', 'to'] as $end) {
                if (preg_match('/^(\d\d)-(\d\d)$/', $season[$end], $m) !== 1 || ! checkdate((int) $m[1], (int) $m[2], 2024)) {
                    $one->problem($end, "“{$season[$end]}” is no day of the year; write 06-01 for 1 June");
                }
            }
            $one->noMore();
            $seasons[] = $season;
        }

        return $seasons;
    }

    /** @return list<Closure> */
    private static function readClosures(Node $node): array
    {
        $closures = [];
        foreach ($node->children('closures') as $one) {
            $from = $one->string('from');
            $closure = ['from' => $from, 'to' => $one->string('to', $from), 'why' => $one->string('why', '')];
            if (self::date($one, 'from', $closure['from']) && self::date($one, 'to', $closure['to']) && $closure['to'] < $closure['from']) {
                $one->problem('to', "{$closure['to']} is before {$closure['from']}");
            }
            $one->noMore();
            $closures[] = $closure;
        }

        return $closures;
    }

    /** @return array<string, Single> */
    private static function readDays(Node $node): array
    {
        $days = [];
        foreach ($node->children('days') as $one) {
            $date = $one->string('date');
            self::date($one, 'date', $date);
            $days[$date] = ['open' => Week::stretches($one, 'hours'), 'why' => $one->string('why', '')];
            $one->noMore();
        }
        ksort($days);

        return $days;
    }

    private static function date(Node $node, string $key, string $date): bool
    {
        $good = preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $date, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1]);
        if (! $good) {
            $node->problem($key, "“{$date}” is no date; write 2026-12-25");
        }

        return $good;
    }
}
