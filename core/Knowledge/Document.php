<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** One source of knowledge, cut up. */
final readonly class Document
{
    /**
     * @param list<Passage> $passages
     * @param list<Table> $tables
     */
    public function __construct(public string $source, public array $passages, public array $tables)
    {
    }

    public function words(): int
    {
        return array_sum(array_map(static fn (Passage $passage): int => str_word_count($passage->text()), $this->passages))
            + array_sum(array_map(static fn (Table $table): int => array_sum(array_map(static fn (array $row): int => str_word_count(implode(' ', $row)), $table->rows)), $this->tables));
    }
}
