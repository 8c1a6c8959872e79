<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Vocabulary;
use Ringo\Speech\Spoken;

/**
 * Looks things up in tables by row and column: what a thing costs for how long, what somebody with so many years is entitled to.
 *
 * Sums are done where they are plain: a number of days from day, weekend and week rates, taking the cheapest way to reach it.
 */
final class TableAnswers
{
    private readonly Days $days;

    private readonly Spoken $spoken;

    public function __construct(private readonly Terms $terms, private readonly Likeness $likeness, Vocabulary $words)
    {
        $this->days = new Days($words);
        $this->spoken = new Spoken;
    }

    /**
     * @param list<Table> $tables
     *
     * @return list<Candidate>
     */
    public function candidates(Question $question, array $tables): array
    {
        $found = [];
        foreach ($tables as $table) {
            $context = implode('. ', [$table->heading, MemoryShelf::name($table->source), implode('. ', $table->columns)]);
            foreach ($table->rows as $row) {
                $one = $this->row($question, $table, $row, $context);
                if ($one !== null) {
                    $found[] = $one;
                }
            }
        }
        usort($found, static fn (Candidate $a, Candidate $b): int => $b->score <=> $a->score);

        return array_slice($found, 0, 6);
    }

    /**
     * Rows among which the question does not choose, where the table is plainly meant.
     *
     * @param list<Table> $tables
     *
     * @return array{Table, list<string>, float}|null the table, names of its rows, how well it fits
     */
    public function open(Question $question, array $tables): ?array
    {
        $best = null;
        foreach ($tables as $table) {
            if (count($table->rows) > 60) {
                continue;
            }
            $fit = $this->likeness->of($question, [[$table->heading.'. '.MemoryShelf::name($table->source), 1.0], [implode('. ', $table->columns), 0.95]]);
            if ($fit['cover'] > ($best[2] ?? 0.0)) {
                $best = [$table, array_values(array_unique(array_map(static fn (array $row): string => $row[0], $table->rows))), $fit['cover']];
            }
        }

        return $best;
    }

    /** @param list<string> $row */
    private function row(Question $question, Table $table, array $row, string $context): ?Candidate
    {
        $label = $row[0];
        $words = implode('. ', array_filter($row, static fn (string $cell): bool => preg_match('/\pL{3}/u', $cell) === 1));
        $fit = $this->likeness->of($question, [[$label, 1.0], [$words, 0.9], [$context, 0.85]]);
        $ranged = $this->inRange($question, $table, $label);
        if ($ranged === false) {
            return null;
        }
        $own = $this->likeness->of($question, [[$words, 1.0]]);
        $named = $this->named($question, $label);
        $dayRow = $question->days !== [] && ($rowDays = $this->days->in($label)) !== [];
        if ($dayRow && array_diff($question->days, $rowDays) !== []) {
            return null;
        }
        if ($ranged !== true && ! $dayRow && $own['matched'] === [] || $ranged !== true && ! $dayRow && $named < 0.34 && $own['cover'] < 0.5) {
            return null;
        }
        $cover = $ranged === true || $dayRow ? max($fit['cover'], 0.62 * $fit['cover'] + 0.38) : $fit['cover'];
        $columns = $this->columns($question, $table, $row);
        $text = $this->said($question, $table, $row, $columns);
        $money = in_array($question->kind, ['price', 'amount'], true);
        $fits = $question->kind === 'age' ? preg_match('/\b(?:age|years?|old|over|under|adult|child)\b/i', $context.' '.implode(' ', $row)) === 1 : ($question->kind === 'clock' ? preg_match('/\d\s?(?:am|pm)|\d[:.]\d\d|noon/i', implode(' ', $row)) === 1 : ! $money || array_filter($columns, static fn (int $column): bool => preg_match('/[£$€%]|\d|free|no charge/iu', $row[$column]) === 1) !== []);
        // A number that falls into the row's range speaks for the table, if it is the table that was asked about.
        $context2 = $ranged === true ? $this->likeness->of($question, [[$table->heading.'. '.implode('. ', $table->columns), 1.0]])['cover'] : 0.0;
        if ($ranged === true && $context2 < 0.35) {
            return null;
        }
        $exact = $named >= 0.9 && array_filter($columns, fn (int $column): bool => array_intersect(array_column(array_filter($this->terms->of($table->columns[$column]), static fn (array $unit): bool => ! $unit['generic']), 'stem'), array_column($question->units, 'stem')) !== []) !== [];
        $score = ($ranged === true ? 0.25 : 0.0) + ($exact ? 0.1 : 0.0) + 0.8 * $cover + 0.1 * $named + ($fits ? ($money ? 0.1 : 0.06) : -0.15);

        return new Candidate($table->source, $table->place($label), $cover, $score, $fit['matched'], $fit['lacking'], $text, [], null, implode(' | ', $row), $fits, $ranged === true || $dayRow ? max($fit['key'], 0.6) : $fit['key']);
    }

    /** Share of the row's own name that the question says. */
    private function named(Question $question, string $label): float
    {
        $units = array_values(array_filter($this->terms->of($label), static fn (array $unit): bool => ! $unit['generic'] && ! $unit['number']));
        if ($units === []) {
            $units = $this->terms->of($label);
        }
        if ($units === []) {
            return 0.0;
        }
        $stems = array_fill_keys(array_column($question->units, 'stem'), true);
        $rings = array_fill_keys(array_merge([], ...array_column($question->units, 'rings')), true);
        $hit = 0.0;
        foreach ($units as $unit) {
            $hit += isset($stems[$unit['stem']]) ? 1.0 : (array_intersect_key($rings, array_flip($unit['rings'])) !== [] ? 0.7 : 0.0);
        }

        return $hit / count($units);
    }

    /** Whether a number of the question lies in the range that names the row; null where it names none. */
    private function inRange(Question $question, Table $table, string $label): ?bool
    {
        if ($question->numbers === [] && $question->span === null) {
            return null;
        }
        $line = mb_strtolower(str_replace(['–', '—', ' to '], '-', $label));
        $line = str_replace([' - ', '£', '$', '€', ','], ['-', '', '', '', ''], $line);
        $numbers = $question->numbers;
        foreach ($numbers as $number) {
            if (preg_match('/(?<![\d.])(\d+(?:\.\d+)?)\s*\w{0,6}\s?-\s?(\d+(?:\.\d+)?)/', $line, $m) === 1) {
                return $number >= (float) $m[1] && $number <= (float) $m[2];
            }
            if (preg_match('/\b(?:under|less than|below|fewer than)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1) {
                return $number < (float) $m[1];
            }
            if (preg_match('/\b(?:up-|up to )\s?(\d+(?:\.\d+)?)/', $line, $m) === 1 || preg_match('/\bup\s?-\s?(\d+(?:\.\d+)?)/', $line, $m) === 1) {
                return $number <= (float) $m[1];
            }
            if (preg_match('/\b(?:over|more than|above)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1) {
                return $number > (float) $m[1];
            }
            if (preg_match('/(\d+(?:\.\d+)?)\s*(?:\w+\s)?(?:\+|or more|and over|or over|and above|plus|or above)/', $line, $m) === 1 || preg_match('/\b(?:from|at least)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1) {
                return $number >= (float) $m[1];
            }
        }

        return null;
    }

    /**
     * The columns that were asked about; else those that answer the kind of question.
     *
     * @param list<string> $row
     *
     * @return list<int>
     */
    private function columns(Question $question, Table $table, array $row): array
    {
        if ($question->days !== []) {
            // 'What time on a Saturday?' in a table with a column for the day.
            $ofDay = array_values(array_filter(array_keys($table->columns), fn (int $i): bool => $i > 0 && $row[$i] !== '' && ($days = $this->days->in($table->columns[$i])) !== [] && array_diff($question->days, $days) === []));
            if ($ofDay !== []) {
                return array_slice($ofDay, 0, 3);
            }
        }
        $asked = [];
        $best = 0.0;
        for ($i = 1, $n = count($table->columns); $i < $n; $i++) {
            if ($row[$i] === '' || $row[$i] === '-' || $row[$i] === '–') {
                continue;
            }
            $hit = 0.0;
            foreach ($this->terms->of($table->columns[$i]) as $unit) {
                foreach ($question->units as $one) {
                    if ($one['stem'] === $unit['stem']) {
                        $hit = max($hit, $one['generic'] && ! in_array($one['word'], ['day', 'week', 'month', 'year', 'hour', 'night', 'weekend', 'days', 'weeks', 'months'], true) ? 0.6 : 1.0);
                    } elseif (array_intersect($one['rings'], $unit['rings']) !== []) {
                        $hit = max($hit, 0.5);
                    }
                }
            }
            if ($hit > $best + 0.15) {
                $asked = [$i];
                $best = $hit;
            } elseif ($hit > 0 && $hit > $best - 0.15) {
                $asked[] = $i;
            }
        }
        $money = [];
        $others = [];
        for ($i = 1, $n = count($table->columns); $i < $n; $i++) {
            if ($row[$i] === '') {
                continue;
            }
            preg_match('/[£$€]\s?\d|^\d+(?:\.\d\d)?$|\bfree\b|no charge/iu', $row[$i]) === 1 ? $money[] = $i : $others[] = $i;
        }
        if ($best >= 0.95 || $asked !== [] && ! in_array($question->kind, ['price', 'amount'], true)) {
            return array_slice($asked, 0, 3);
        }
        if (in_array($question->kind, ['price', 'amount'], true) && $money !== []) {
            $plain = array_values(array_filter($money, static fn (int $column): bool => preg_match('/deposit|bond|vat|weight|size|kg|mm|cm|no\.|qty|stock/i', $table->columns[$column]) !== 1));
            $both = array_values(array_intersect($asked, $money));

            return array_slice($both !== [] ? $both : ($plain !== [] ? $plain : $money), 0, 3);
        }

        return array_slice($asked !== [] ? $asked : [...$others, ...$money], 0, 3);
    }

    /**
     * @param list<string> $row
     * @param list<int> $columns
     */
    private function said(Question $question, Table $table, array $row, array $columns): string
    {
        $sum = in_array($question->kind, ['price', 'amount', 'none', 'what'], true) ? $this->sum($question, $table, $row) : null;
        $name = $this->article($row[0]);
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

    private function article(string $label): string
    {
        return trim($label);
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
