<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Speaking;

use Ringo\Knowledge\Question;
use Ringo\Knowledge\Ranking\Reading;
use Ringo\Knowledge\Table;
use Ringo\Knowledge\Terms;

/** What a thing costs, where its row tells several prices and the question none of them: all of them are said, and not asked which. */
final readonly class RowPrices
{
    /** A row is meant where all its cells together are as likely as this. */
    private const MEANT = 0.5;

    /** More prices than these nobody keeps in mind. */
    private const MOST = 4;

    /** Letters from which the beginning of a word names a column. */
    private const TELLING = 4;

    /** The second likeliest price must be nearly as likely as the first. */
    private const LEVEL = 0.75;

    /** From here on a price is wanted. */
    private const WANTS = 0.6;

    private const MONEY = '/^\s*[£$€]?\s?\d[\d,]*(?:\.\d\d)?\s*$|[£$€]\s?\d/u';

    /** Sums that are given back, or only asked for in a mishap, are no prices. */
    private const NO_PRICE = '/\b(?:deposit|bond|excess|caution|refundable)\b/i';

    private RowWords $words;

    public function __construct(private Terms $terms)
    {
        $this->words = new RowWords;
    }

    /**
     * @param list<Reading> $readings
     * @param array<int, float> $chances by place among the readings
     *
     * @return array{string, int, float}|null what is said, the place of the likeliest cell, and how likely the row is
     */
    public function of(Question $question, array $readings, array $chances): ?array
    {
        if ($question->kind !== 'price' && ($question->wants['money'] ?? 0.0) < self::WANTS || $question->span !== null || $question->days !== [] || $question->months !== [] || $question->numbers !== []) {
            return null;
        }
        arsort($chances);
        $rows = [];
        $likeliest = [];
        foreach ($chances as $place => $chance) {
            $unit = $readings[$place]->unit;
            if ($unit->table !== null) {
                $row = spl_object_id($unit->table).'|'.$unit->row;
                $rows[$row] = ($rows[$row] ?? 0.0) + $chance;
                $likeliest[$row] ??= $place;
            }
        }
        arsort($rows);
        $row = array_key_first($rows);
        if ($row === null || $rows[$row] < self::MEANT) {
            return null;
        }
        $unit = $readings[$likeliest[$row]]->unit;
        $prices = $unit->table === null ? [] : $this->prices($unit->table, $unit->row);
        if ($unit->table === null || count($prices) < 2 || count($prices) > self::MOST || $this->names($question, $unit->table)) {
            return null;
        }
        // One that is likelier than the others was chosen by something: 'in the evening', 'for a student'.
        $of = [];
        foreach ($chances as $place => $chance) {
            $cell = $readings[$place]->unit;
            if ($cell->table === $unit->table && $cell->row === $unit->row && in_array($cell->column, $prices, true)) {
                $of[] = $chance;
            }
        }
        if (count($of) < 2 || $of[1] < self::LEVEL * $of[0]) {
            return null;
        }

        return [$this->words->of($question->plainly(), $unit->table, $unit->table->rows[$unit->row], $prices), $likeliest[$row], $rows[$row]];
    }

    /** @return list<int> columns of a row that hold prices */
    private function prices(Table $table, int $row): array
    {
        $prices = [];
        foreach ($table->columns as $column => $head) {
            $cell = $table->rows[$row][$column] ?? '';
            if ($column > 0 && preg_match(self::MONEY, $cell) === 1 && preg_match('/[£$€]/u', $cell.$head) === 1 && preg_match(self::NO_PRICE, $head) !== 1) {
                $prices[] = $column;
            }
        }

        return $prices;
    }

    /** Whether the question names a column: 'how much is the deposit', 'what is the child price'. */
    private function names(Question $question, Table $table): bool
    {
        $asked = array_column($question->units, 'stem');
        foreach (array_slice($table->columns, 1) as $head) {
            foreach ($this->terms->of($head) as $unit) {
                // 'A year's ticket' names the column 'yearly'.
                $named = array_filter($asked, static fn (string $stem): bool => $stem === $unit['stem'] || strlen($stem) >= self::TELLING && (str_starts_with($unit['stem'], $stem) || str_starts_with($stem, $unit['stem'])));
                if ($named !== [] && preg_match('/^(?:price|cost|fee|charge|rate)/', $unit['stem']) !== 1) {
                    return true;
                }
            }
        }

        return false;
    }
}
