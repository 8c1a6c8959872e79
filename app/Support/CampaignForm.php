<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Business;
use Ringo\Diary\Week;

/** A campaign as its form writes it: windows with commas by day, pauses in minutes, hours and days. */
final readonly class CampaignForm
{
    /** What an attempt may come to, with the pause after it that is usual. */
    public const AFTER = ['busy' => ['engaged', 'PT20M'], 'no_answer' => ['no answer', 'PT3H'], 'voicemail' => ['a voicemail', 'P1D'], 'hung_up' => ['rang off', 'P2D'], 'failed' => ['did not get through', 'PT1H'], 'later' => ['asked for later, no time told', 'P1D']];

    public const UNITS = ['M' => 'minutes', 'H' => 'hours', 'D' => 'days'];

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, mixed> in the format of campaigns
     */
    public function document(Business $business, array $given): array
    {
        $text = static fn (string $key): string => is_string($given[$key] ?? null) ? trim($given[$key]) : '';
        $number = static fn (string $key): int => is_numeric($given[$key] ?? null) ? (int) $given[$key] : 0;
        $windows = [];
        foreach (Week::DAYS as $day) {
            $spans = array_values(array_filter(array_map(trim(...), preg_split('/[,\r\n]+/', is_array($given['windows'] ?? null) && is_string($given['windows'][$day] ?? null) ? $given['windows'][$day] : '') ?: []), static fn (string $one): bool => $one !== ''));
            if ($spans !== []) {
                $windows[$day] = $spans;
            }
        }
        $after = [];
        foreach (self::AFTER as $came => [, $usual]) {
            $pause = $given['after'][$came] ?? null;
            if (! is_array($pause)) {
                $after[$came] = $usual;

                continue;
            }
            $n = is_numeric($pause['n'] ?? null) ? (int) $pause['n'] : 0;
            $unit = is_string($pause['unit'] ?? null) && isset(self::UNITS[$pause['unit']]) ? $pause['unit'] : 'H';
            $after[$came] = $unit === 'D' ? "P{$n}D" : "PT{$n}{$unit}";
        }

        return [
            'key' => 'campaign', 'purpose' => $text('purpose'), 'tz' => $business->tz, 'country' => $business->country, 'windows' => $windows, 'holidays' => $this->holidays($business, $text('start'), $text('end')), 'start' => $text('start'), 'end' => $text('end'),
            'attempts' => ['most' => max(1, $number('most')), 'after' => $after], 'consent' => ($given['consent'] ?? '') === '1', 'complaint_days' => $number('complaint_days'),
        ] + (array_filter(['per_person' => array_filter(['day' => $number('per_day'), 'week' => $number('per_week')])])) + ['cost' => ['minute' => (float) ($given['minute'] ?? 0), 'attempt' => (float) ($given['attempt'] ?? 0)]] + ($this->rates($given) === [] ? [] : ['rates' => $this->rates($given)]);
    }

    /** Where something is wrong, as the form names it. */
    public static function place(string $path): string
    {
        $day = preg_match('/^windows\.(\w{3})/', $path, $m) === 1 ? array_search($m[1], Week::DAYS, true) : false;
        $came = preg_match('/^attempts\.after\.(\w+)/', $path, $m) === 1 ? $m[1] : '';

        return match (true) {
            $day !== false => ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'][$day],
            isset(self::AFTER[$came]) => 'again after: '.self::AFTER[$came][0],
            default => $path,
        };
    }

    /** @return array{int, string} how many of which unit */
    public static function pause(string $written): array
    {
        return preg_match('/^P(?:T(\d+)([MH])|(\d+)D)$/', $written, $m) === 1 ? (isset($m[3]) ? [(int) $m[3], 'D'] : [(int) $m[1], $m[2]]) : [1, 'H'];
    }

    /**
     * @param array<string, mixed> $given
     *
     * @return array<string, float>
     */
    private function rates(array $given): array
    {
        $rates = [];
        foreach (['reached', 'busy', 'no_answer', 'voicemail'] as $came) {
            if (is_array($given['rates'] ?? null) && is_numeric($given['rates'][$came] ?? null)) {
                $rates[$came] = round((float) $given['rates'][$came] / 100, 4);
            }
        }

        return $rates;
    }

    /** @return list<string> days the brief closes between two days: nobody is rung on them */
    private function holidays(Business $business, string $start, string $end): array
    {
        if (preg_match('/^\d{4}-\d\d-\d\d$/', $start) !== 1 || preg_match('/^\d{4}-\d\d-\d\d$/', $end) !== 1 || $end < $start || (int) $end - (int) $start > 3) {
            return [];
        }

        return array_values(array_map(strval(...), array_keys(array_filter($business->brief()->hours->unusual($start, $end), static fn ($day): bool => $day->open === []))));
    }
}
