<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** A stretch of what a business has written, under one heading: small enough to answer from. */
final readonly class Passage
{
    /**
     * @param string $source name of the file, address or list it comes from
     * @param string $heading the nearest heading, '' where there is none
     * @param list<string> $path the headings above it, outermost first
     * @param list<string> $sentences in reading order; an item of a list is a sentence
     * @param 'prose'|'qa'|'table' $kind whether it is the answer to a written question, which the heading then is, or rows of a table, the columns first
     * @param ?string $leadsTo a step of the script to which the answer leads on
     */
    public function __construct(
        public string $source,
        public string $heading,
        public array $path,
        public array $sentences,
        public string $kind = 'prose',
        public ?string $leadsTo = null,
    ) {
    }

    /** Rows of a table that are found together. */
    private const ROWS = 40;

    /** @var non-empty-string what parts the cells of a table's row */
    private const CELL = ' | ';

    /** @return list<self> the rows of a table, so that they are found like any passage; a long table in parts */
    public static function ofTable(Table $table): array
    {
        $parts = [];
        for ($from = 0; $from < count($table->rows); $from += self::ROWS) {
            $parts[] = self::rows($table, $from, self::ROWS);
        }

        return $parts;
    }

    private static function rows(Table $table, int $from, int $count): self
    {
        $line = static fn (array $cells): string => implode(self::CELL, array_map(static fn (string $cell): string => str_replace('|', '/', $cell), $cells));

        return new self($table->source, $table->heading, $table->path, array_values(array_map($line, [$table->columns, ...array_slice($table->rows, $from, $count)])), 'table');
    }

    /** The table these are rows of; null where it is none. */
    public function table(): ?Table
    {
        if ($this->kind !== 'table') {
            return null;
        }
        $rows = array_map(static fn (string $line): array => explode(self::CELL, $line), $this->sentences);
        $columns = array_shift($rows) ?? [];

        return new Table($this->source, $this->heading, $columns, array_values(array_map(static fn (array $row): array => array_slice(array_pad($row, count($columns), ''), 0, count($columns)), $rows)));
    }

    public function text(): string
    {
        return implode(' ', $this->sentences);
    }

    /** 'returns.md#Refunds': where a person finds it. */
    public function place(): string
    {
        return $this->heading === '' ? $this->source : $this->source.'#'.$this->heading;
    }
}
