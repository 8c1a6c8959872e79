<?php

declare(strict_types=1);

namespace App\Support;

use Ringo\Diary\Week;

/** Reads hours, services and diaries from their forms: a stretch of time as 08:00-12:00, several with commas; a closure or a road a line. */
final readonly class DiaryForm
{
    /**
     * @param array<string, mixed> $given
     *
     * @return array{hours: array<string, list<string>>, closures: list<mixed>, travel: array{default: int, pairs: list<mixed>}, share: string}
     */
    public function business(array $given): array
    {
        return ['hours' => $this->week($given['hours'] ?? []), 'closures' => $this->days(self::text($given, 'closures', '')), 'travel' => ['default' => (int) ($given['travel_default'] ?? 0), 'pairs' => $this->pairs(self::text($given, 'travel', ''))], 'share' => is_string($given['share'] ?? null) ? $given['share'] : 'first'];
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed>
     */
    public function service(array $given): array
    {
        $number = static fn (string $key, int $else): int => is_numeric($given[$key] ?? null) ? (int) $given[$key] : $else;

        return ['label' => trim(self::text($given, 'label', '')) ?: 'an appointment', 'minutes' => $number('minutes', 30), 'before' => $number('before', 0), 'after' => $number('after', 0), 'step' => $number('step', 30), 'notice_hours' => $number('notice_hours', 0), 'ahead_days' => $number('ahead_days', 60), 'place' => self::text($given, 'place', 'here'), 'places' => $number('places', 1)];
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed>
     */
    public function diary(array $given): array
    {
        $hours = $this->week($given['hours'] ?? []);
        $breaks = $this->spans(self::text($given, 'breaks', ''));
        $off = $this->days(self::text($given, 'off', ''));
        $base = trim(self::text($given, 'base', ''));

        return ['services' => array_values(array_filter((array) ($given['services'] ?? []), is_string(...)))]
            + ($hours === [] ? [] : ['hours' => $hours]) + ($breaks === [] ? [] : ['breaks' => ['daily' => $breaks]]) + ($off === [] ? [] : ['off' => $off])
            + ($base === '' ? [] : ['base' => $base]) + (is_numeric($given['most_a_day'] ?? null) ? ['most_a_day' => (int) $given['most_a_day']] : []);
    }

    /** @param list<string|array{from: string, to: string}> $days */
    public static function linesOfDays(array $days): string
    {
        return implode("\n", array_map(static fn (string|array $one): string => is_string($one) ? $one : "{$one['from']} to {$one['to']}", $days));
    }

    /** @return array<string, list<string>> */
    private function week(mixed $given): array
    {
        $week = [];
        foreach (Week::DAYS as $day) {
            $spans = $this->spans(is_array($given) && is_string($given[$day] ?? null) ? $given[$day] : '');
            if ($spans !== []) {
                $week[$day] = $spans;
            }
        }

        return $week;
    }

    /** @return list<string> */
    private function spans(string $text): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $text)), static fn (string $one): bool => $one !== ''));
    }

    /** @return list<mixed> */
    private function days(string $text): array
    {
        return array_map(static function (string $line): string|array {
            $parts = preg_split('/\s+(?:to|until|–|-)\s+/u', $line) ?: [$line];

            return count($parts) === 2 ? ['from' => trim($parts[0]), 'to' => trim($parts[1])] : $line;
        }, $this->lines($text));
    }

    /** @return list<mixed> 'north, south: 25' a line */
    private function pairs(string $text): array
    {
        return array_map(static fn (string $line): array => preg_match('/^(.+?)\s*,\s*(.+?)\s*[:=]\s*(\d+)$/u', $line, $m) === 1 ? [$m[1], $m[2], (int) $m[3]] : [$line], $this->lines($text));
    }

    /** @return list<string> */
    private function lines(string $text): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split('/\R/u', $text) ?: []), static fn (string $line): bool => $line !== ''));
    }

    /** @param array<array-key, mixed> $given */
    private static function text(array $given, string $key, string $else): string
    {
        return is_scalar($given[$key] ?? null) ? (string) $given[$key] : $else;
    }
}
