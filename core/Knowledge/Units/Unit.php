<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Units;

use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Table;

/** The smallest thing that can answer: a sentence, an item, a clause with one value, a cell or a row of a table. */
final readonly class Unit
{
    /**
     * @param string $text its own words
     * @param string $lead what it is said of: the row, the words before the colon, the beginning of the sentence it is a clause of
     * @param string $beside what stands around it and may tell what is meant: the sentence before, the column, the whole sentence
     * @param string $group units that share it are brothers: cells of a table, items of a passage, clauses of a sentence
     * @param ?Table $table the table it stands in
     * @param int $row of the table, -1 where there is none
     * @param int $column of the table, -1 for a whole row
     * @param int $place which sentence of its passage
     */
    public function __construct(
        public Kind $kind,
        public string $text,
        public string $lead,
        public string $beside,
        public string $group,
        public Passage $passage,
        public int $place,
        public ?Table $table = null,
        public int $row = -1,
        public int $column = -1,
    ) {
    }

    public function isTabular(): bool
    {
        return $this->table !== null;
    }

    public function where(): string
    {
        return $this->table === null ? $this->passage->place() : $this->table->place($this->table->rows[$this->row][0]);
    }
}
