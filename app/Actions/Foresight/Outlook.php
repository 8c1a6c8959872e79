<?php

declare(strict_types=1);

namespace App\Actions\Foresight;

use App\Models\SayingMark;
use Ringo\Rehearsal\Does;
use Ringo\Rehearsal\Foreseen;
use Ringo\Trade\Trade;

/**
 * What callers will say to an agent, and what it does with it.
 *
 * @phpstan-import-type FieldRow from Trade
 */
final readonly class Outlook
{
    /**
     * @param list<Trade> $trades
     * @param list<Foreseen> $sayings the commonest first
     * @param list<Foreseen> $questions
     * @param list<array{fact: FieldRow, field: ?string}> $facts with the field of the agent's sheet that takes each
     * @param int $of how many sayings there are in all
     * @param array<string, SayingMark> $marks by hash of the saying
     */
    public function __construct(public array $trades, public array $sayings, public array $questions, public array $facts, public int $of, private array $marks)
    {
    }

    public function mark(Foreseen $row): ?SayingMark
    {
        return $this->marks[SayingMark::hash($row->said)] ?? null;
    }

    /** Whether it is dealt with: as marked where somebody marked it, else where it is served at all. */
    public function handles(Foreseen $row): bool
    {
        $mark = $this->mark($row);

        return $mark === null ? $row->does->serves() : $mark->holds($row);
    }

    /** @param list<Foreseen> $rows */
    public function handled(array $rows): int
    {
        return count(array_filter($rows, $this->handles(...)));
    }

    /** @return array{trades: list<string>, of: int, handled: int, missed: list<string>} what is kept of it with a draft or a release */
    public function summary(): array
    {
        $rows = [...$this->sayings, ...$this->questions];
        $missed = array_values(array_filter($rows, fn (Foreseen $row): bool => ! $this->handles($row) && $row->does !== Does::Call));

        return ['trades' => array_map(static fn (Trade $trade): string => $trade->label, $this->trades), 'of' => count($rows), 'handled' => $this->handled($rows), 'missed' => array_map(static fn (Foreseen $row): string => $row->said, $missed)];
    }
}
