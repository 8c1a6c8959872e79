<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Clock;
use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Vocabulary;

/** Figures and hours of a question against ranges: of a row, a column, an item ('25 to 40 kg', 'after 4 pm'), and bounds a sentence sets. */
final readonly class Ranges
{
    /** Characters of a sentence that a bound takes, and that may stand before 'or more'. */
    private const BOUND = 18;

    private const BEFORE_A_BOUND = 14;

    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * Figures and hours against ranges that name the row, the column or the item.
     *
     * @param array<string, mixed> $asked
     *
     * @return array<string, float>
     */
    public function of(Unit $unit, array $asked): array
    {
        $right = 0.0;
        $wrong = 0.0;
        /** @var list<float> $numbers */
        $numbers = $asked['numbers'];
        foreach ([$unit->lead, $unit->isTabular() && $unit->kind === Kind::Cell ? $unit->beside : ''] as $label) {
            foreach ($label === '' ? [] : $numbers as $number) {
                $inside = $this->inside($label, $number);
                $right += $inside === true ? 1.0 : 0.0;
                $wrong += $inside === false ? 1.0 : 0.0;
            }
        }
        $cells = $unit->table === null ? [] : array_diff_key($unit->table->rows[$unit->row], [$unit->column => 1, 0 => 1]);
        $row = 0.0;
        foreach ($cells as $cell) {
            foreach ($numbers as $number) {
                $row = max($row, preg_match('/^\D{0,12}(\d+(?:\.\d+)?)\D{0,12}$/', (string) $cell, $m) === 1 && preg_match('/[£$€]/u', (string) $cell) !== 1 && abs($number - (float) $m[1]) < 0.01 ? 1.0 : 0.0);
            }
        }
        [$boundRight, $boundWrong] = $this->bound($unit, $numbers);
        $clock = 0.0;
        $minute = is_int($asked['minute']) ? $asked['minute'] : null;
        $part = 0.0;
        foreach ($unit->isTabular() ? [$unit->lead, $unit->kind === Kind::Cell ? $unit->beside : ''] : [$unit->lead] as $label) {
            $inside = $minute === null || $label === '' ? null : Clock::inside($label, $minute);
            $clock += $inside === null ? 0.0 : ($inside ? 1.0 : -1.0);
            $named = $asked['part'] === null || $label === '' ? null : Clock::part($label);
            $part += $named === null ? 0.0 : ($named === $asked['part'] ? 1.0 : -1.0);
        }

        return ['bound_right' => $boundRight, 'bound_wrong' => $boundWrong, 'row_figure' => $row, 'range_right' => min(1.0, $right), 'range_wrong' => $right > 0.0 ? 0.0 : min(1.0, $wrong), 'clock_right' => max(0.0, $clock), 'clock_wrong' => max(0.0, -$clock), 'part_right' => max(0.0, $part), 'part_wrong' => max(0.0, -$part)];
    }

    /**
     * Figures against a bound that a sentence sets: five miles and 'within six miles', twenty people and 'groups of twelve or more'.
     *
     * @param list<float> $numbers
     *
     * @return array{float, float}
     */
    private function bound(Unit $unit, array $numbers): array
    {
        if ($numbers === [] || $unit->isTabular() || preg_match('/\b(?:under|less than|below|fewer than|within|up to|over|more than|above|at least|or more|or over|and over|or fewer|or less|at most|or older)\b/i', $unit->text, $m, PREG_OFFSET_CAPTURE) !== 1) {
            return [0.0, 0.0];
        }
        // The bound's own words: what stands before it may be a price.
        $from = str_starts_with(mb_strtolower($m[0][0]), 'or ') || str_starts_with(mb_strtolower($m[0][0]), 'and ') ? max(0, $m[0][1] - self::BEFORE_A_BOUND) : $m[0][1];
        $label = str_replace('within', 'up to', mb_strtolower(substr($unit->text, $from, self::BEFORE_A_BOUND + self::BOUND)));
        $inside = array_map(fn (float $number): ?bool => $this->inside($label, $number), $numbers);

        return in_array(true, $inside, true) ? [1.0, 0.0] : [0.0, in_array(false, $inside, true) ? 1.0 : 0.0];
    }

    /** Whether a number lies in the range a label names; null where it names none. */
    private function inside(string $label, float $number): ?bool
    {
        $line = str_replace([' - ', '£', '$', '€', ','], ['-', '', '', '', ''], mb_strtolower(str_replace(['–', '—', ' to '], '-', $label)));
        $line = (string) preg_replace_callback('/\b(one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|sixteen|eighteen)\b/', fn (array $m): string => (string) (($this->words->section('numbers', 'units') + $this->words->section('numbers', 'teens'))[$m[1]] ?? $m[1]), $line);

        return match (true) {
            preg_match('/(?<![\d.])(\d+(?:\.\d+)?)\s*\w{0,6}\s?(?:-|or)\s?(\d+(?:\.\d+)?)/', $line, $m) === 1 => $number >= (float) $m[1] && $number <= (float) $m[2],
            preg_match('/\b(?:under|less than|below|fewer than)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1 => $number < (float) $m[1],
            preg_match('/\bup(?:-| to )\s?(\d+(?:\.\d+)?)|\bup\s?-\s?(\d+(?:\.\d+)?)/', $line, $m) === 1 => $number <= (float) ($m[1] !== '' ? $m[1] : $m[2]),
            preg_match('/\b(?:over|more than|above)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1 => $number > (float) $m[1],
            preg_match('/(\d+(?:\.\d+)?)\s*(?:\w+\s)?(?:\+|or more|and over|or over|and above|plus|or above)/', $line, $m) === 1, preg_match('/\b(?:from|at least)\s+(\d+(?:\.\d+)?)/', $line, $m) === 1 => $number >= (float) $m[1],
            preg_match('/^\D*(\d+(?:\.\d+)?)\D*$/', $line, $m) === 1 => abs($number - (float) $m[1]) < 0.01,
            default => null,
        };
    }
}
