<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Speaking;

use Ringo\Knowledge\Question;
use Ringo\Knowledge\Table;
use Ringo\Speech\Spoken;

/**
 * Says rows of tables: what a thing costs for how long, what somebody with so many years is entitled to.
 *
 * Sums are done where they are plain: a number of days from day, weekend and week rates, taking the cheapest way to reach it.
 */
final readonly class RowWords
{
    public function __construct(private Spoken $spoken = new Spoken)
    {
    }

    /**
     * A row with some of its columns as they are said; a sum where a length was asked about and rates tell it.
     *
     * @param list<string> $row
     * @param list<int> $columns
     */
    public function of(Question $question, Table $table, array $row, array $columns): string
    {
        $sum = in_array($question->kind, ['price', 'amount', 'none', 'what'], true) ? $this->sum($question, $table, $row) : null;
        $name = trim($row[0]);
        if ($sum !== null) {
            return "{$name}: {$sum}.";
        }
        $parts = [];
        foreach ($columns as $column) {
            $parts[] = $this->cell($table->columns[$column], $row[$column]);
        }
        if ($parts === []) {
            return "{$name}.";
        }
        $last = array_pop($parts);

        return $this->spoken->plain("{$name}: ".($parts === [] ? $last : implode(', ', $parts).' and '.$last).'.');
    }

    private function cell(string $column, string $value): string
    {
        $head = mb_strtolower(trim((string) preg_replace('/\s*\(.*?\)|[£$€]/u', '', $column)));
        $value = preg_match('/^\d+(?:\.\d\d)?$/', $value) === 1 && preg_match('/\(([£$€])\)|^([£$€])|(?:price|rate|cost|fee|charge|deposit)/u', $column, $m) === 1 ? (($m[1] ?? '') !== '' ? $m[1] : (($m[2] ?? '') !== '' ? $m[2] : '£')).$value : $value;
        if (preg_match('/[£$€]\s?\d|^free$/iu', $value) === 1) {
            if (preg_match('/^(?:per |a |price per |rate per |daily|weekly|monthly|hourly|hour|day|week|month|year|night|weekend|half day|half-day)\b(.*)$/', $head, $m) === 1) {
                $unit = match (true) {
                    str_contains($head, 'weekend') => 'for a weekend', str_contains($head, 'half') => 'for half a day', str_contains($head, 'week') => 'a week', str_contains($head, 'month') => 'a month', str_contains($head, 'hour') => 'an hour',
                    str_contains($head, 'night') => 'a night', str_contains($head, 'year') => 'a year', str_contains($head, 'dai') || str_contains($head, 'day') => 'a day', default => $head,
                };

                return "{$value} {$unit}";
            }
            if (in_array($head, ['price', 'cost', 'fee', 'charge', 'rate', 'amount', 'tariff', 'total'], true)) {
                return $value;
            }
        }

        return trim("{$head} {$value}");
    }

    /**
     * The cheapest way to reach a number of days with the rates of the row.
     *
     * @param list<string> $row
     */
    private function sum(Question $question, Table $table, array $row): ?string
    {
        if ($question->span === null || $question->span < 0.4 || $question->span > 400 || preg_match('/[£$€]/u', implode(' ', $row).' '.implode(' ', $table->columns)) !== 1) {
            return null;
        }
        $rates = [];
        $sign = '£';
        foreach ($table->columns as $i => $column) {
            $head = mb_strtolower($column);
            if ($i === 0 || preg_match('/deposit|bond/', $head) === 1 || preg_match('/([£$€])?\s?(\d+(?:,\d{3})*(?:\.\d+)?)/u', $row[$i], $m) !== 1) {
                continue;
            }
            $sign = $m[1] !== '' ? $m[1] : $sign;
            $price = (float) str_replace(',', '', $m[2]);
            $length = match (true) {
                str_contains($head, 'weekend') => 2.5, str_contains($head, 'half') => 0.5, str_contains($head, 'week') => 7.0, str_contains($head, 'month') => 30.0, str_contains($head, 'extra day') || str_contains($head, 'additional') => null,
                preg_match('/\bda(?:y|ily)|24/', $head) === 1 => 1.0, str_contains($head, 'night') => 1.0, str_contains($head, 'hour') => 1 / 24, default => null,
            };
            if ($length !== null) {
                $rates[(string) $length] = $price;
            }
        }
        $said = $this->lengthSaid($question->span);
        if (isset($rates[(string) $question->span]) && $question->span !== 1.0) {
            return $this->money($rates[(string) $question->span], $sign).' '.($question->span === 2.5 ? 'for a weekend' : 'for '.$said);
        }
        if (! isset($rates['1'])) {
            return $this->whole($rates, $question->span, $said, $sign);
        }
        if ($question->span < 1 || fmod($question->span, 1.0) > 0.001 && $question->span !== 2.5) {
            return null;
        }
        $days = (int) round($question->span);
        if ($days === 1) {
            return $this->money($rates['1'], $sign).' a day';
        }
        $month = $rates['30'] ?? null;
        $week = $rates['7'] ?? null;
        $best = $days * $rates['1'];
        if ($week !== null) {
            $weeks = intdiv($days, 7);
            $rest = $days % 7;
            $best = min($best, $weeks * $week + min($rest * $rates['1'], $rest > 0 ? $week : 0.0));
        }
        if ($month !== null && $days >= 28) {
            $months = intdiv($days, 30);
            $rest = max(0, $days - 30 * $months);
            $best = min($best, max(1, $months) * $month + ($months > 0 ? $rest * $rates['1'] : 0));
        }

        return $this->money($best, $sign).' for '.$said;
    }

    /**
     * Without a day rate: as many whole weeks or months as cover the days, whichever comes cheaper.
     *
     * @param array<array-key, float> $rates by days
     */
    private function whole(array $rates, float $span, string $said, string $sign): ?string
    {
        $best = null;
        foreach ($rates as $days => $price) {
            if ((float) $days >= 7 && $span >= 7) {
                $cost = ceil($span / (float) $days - 0.01) * $price;
                $best = $best === null ? $cost : min($best, $cost);
            }
        }

        return $best === null ? null : $this->money($best, $sign).' for '.$said;
    }

    private function money(float $amount, string $sign): string
    {
        return $sign.(fmod($amount, 1.0) < 0.005 ? number_format($amount, 0) : number_format($amount, 2));
    }

    private function lengthSaid(float $days): string
    {
        return match (true) {
            $days === 7.0 => 'a week', $days === 14.0 => 'two weeks', $days === 21.0 => 'three weeks', $days === 28.0 => 'four weeks', $days === 30.0 => 'a month', $days === 2.5 => 'a weekend', $days === 0.5 => 'half a day',
            default => (fmod($days, 1.0) < 0.01 ? (string) (int) $days : (string) round($days, 1)).' days',
        };
    }
}
