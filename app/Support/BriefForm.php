<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Str;
use Ringo\Brief\Brief;
use Ringo\Brief\OpenDay;
use Ringo\Brief\OpeningHours;
use Ringo\Diary\Week;

/** The brief as its form writes it: stretches with commas, closures and single days a line each. */
final readonly class BriefForm
{
    private const MOST_SEASONS = 6;

    private const MOST_SITES = 60;

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed> in the format of briefs; what cannot be read stays as it was typed, for the reader to name
     */
    public function read(array $given): array
    {
        $text = static fn (string $key): string => is_string($given[$key] ?? null) ? trim($given[$key]) : '';
        $rows = static fn (string $key): array => array_values(array_filter(is_array($given[$key] ?? null) ? $given[$key] : [], is_array(...)));
        $region = $text('region');

        return ['format' => Brief::FORMAT] + array_filter([
            'spoken' => $text('spoken'), 'pronounced' => $text('pronounced'), 'profile' => $text('profile'),
            'sites' => $this->sites($rows('sites')), 'hours' => $this->week($given['hours'] ?? []), 'seasons' => $this->seasons($rows('seasons')),
            'closures' => array_map($this->closure(...), $this->lines($text('closures'))), 'days' => array_map($this->single(...), $this->lines($text('days'))),
            'holidays' => $region === '' ? [] : ['region' => $region] + array_filter(['open' => array_values(array_filter((array) ($given['open'] ?? []), is_string(...)))]),
        ], static fn (mixed $one): bool => $one !== '' && $one !== []);
    }

    /** @return array{closures: string, days: string} as they are typed */
    public function written(OpeningHours $hours): array
    {
        return [
            'closures' => implode("\n", array_map(static fn (array $one): string => trim(($one['from'] === $one['to'] ? $one['from'] : "{$one['from']} to {$one['to']}").' '.$one['why']), $hours->closures)),
            'days' => implode("\n", array_map(static fn (string $date, array $one): string => trim("{$date} ".implode(', ', array_map(OpeningHours::written(...), $one['open'])).' '.$one['why']), array_map(strval(...), array_keys($hours->days)), $hours->days)),
        ];
    }

    /** @return array<string, string> stretches with commas, by day */
    public static function spans(Week $week): array
    {
        return array_map(static fn (array $spans): string => implode(', ', $spans), $week->toArray());
    }

    /**
     * Days that follow one another and are alike, as one.
     *
     * @param array<string, OpenDay> $days by date
     *
     * @return list<array{from: string, to: string, open: string, why: string}>
     */
    public function spansOfDays(array $days): array
    {
        $spans = [];
        foreach ($days as $date => $day) {
            $one = ['from' => (string) $date, 'to' => (string) $date, 'open' => $day->open === [] ? 'closed' : implode(', ', array_map(OpeningHours::written(...), $day->open)), 'why' => $day->why];
            $last = end($spans);
            if ($last !== false && $last['open'] === $one['open'] && $last['why'] === $one['why'] && (new \DateTimeImmutable($last['to']))->modify('+1 day')->format('Y-m-d') === $one['from']) {
                array_pop($spans);
                $one['from'] = $last['from'];
            }
            $spans[] = $one;
        }

        return $spans;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<array<string, mixed>>
     */
    private function sites(array $rows): array
    {
        $sites = [];
        foreach (array_slice($rows, 0, self::MOST_SITES) as $row) {
            $text = static fn (string $key): string => is_string($row[$key] ?? null) ? trim($row[$key]) : '';
            if ($text('name') === '') {
                continue;
            }
            $base = (string) preg_replace('/^[^a-z]+/', '', Str::slug($text('name'), '_')) ?: 'site';
            for ($key = mb_substr($base, 0, 36), $n = 2; in_array($key, array_column($sites, 'key'), true); $n++) {
                $key = mb_substr($base, 0, 36)."_{$n}";
            }
            $sites[] = array_filter(['key' => $key, 'name' => $text('name'), 'address' => $text('address'), 'area' => $text('area'), 'phone' => $text('phone'), 'hours' => $this->week($row['hours'] ?? [])], static fn (mixed $one): bool => $one !== '' && $one !== []);
        }

        return $sites;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<array<string, mixed>>
     */
    private function seasons(array $rows): array
    {
        $seasons = [];
        foreach (array_slice($rows, 0, self::MOST_SEASONS) as $row) {
            $text = static fn (string $key): string => is_string($row[$key] ?? null) ? trim($row[$key]) : '';
            if ($text('name') !== '') {
                $seasons[] = ['name' => $text('name'), 'from' => $text('from'), 'to' => $text('to'), 'hours' => $this->week($row['hours'] ?? [])];
            }
        }

        return $seasons;
    }

    /** @return array<string, list<string>> */
    private function week(mixed $given): array
    {
        $week = [];
        foreach (Week::DAYS as $day) {
            $spans = array_values(array_filter(array_map(trim(...), explode(',', is_array($given) && is_string($given[$day] ?? null) ? $given[$day] : '')), static fn (string $one): bool => $one !== ''));
            if ($spans !== []) {
                $week[$day] = $spans;
            }
        }

        return $week;
    }

    /** @return list<string> */
    private function lines(string $text): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split('/\R/', $text) ?: []), static fn (string $one): bool => $one !== ''));
    }

    /** @return array{from: string, to: string, why: string} */
    private function closure(string $line): array
    {
        preg_match('/^(\S+)(?:\s+to\s+(\S+))?\s*(.*)$/u', $line, $m);

        return ['from' => $m[1] ?? $line, 'to' => ($m[2] ?? '') ?: ($m[1] ?? $line), 'why' => $m[3] ?? ''];
    }

    /** @return array{date: string, hours: list<string>, why: string} */
    private function single(string $line): array
    {
        preg_match('/^(\S+)\s*((?:\d{1,2}:\d\d\s*[-–]\s*\d{1,2}:\d\d(?:\s*,\s*)?)*)\s*(.*)$/u', $line, $m);

        return ['date' => $m[1] ?? $line, 'hours' => array_values(array_filter(array_map(trim(...), explode(',', $m[2] ?? '')), static fn (string $one): bool => $one !== '')), 'why' => $m[3] ?? ''];
    }
}
