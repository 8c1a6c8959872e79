<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** Where passages are looked up by their words; in memory here, in a database where there are thousands. */
interface Shelf
{
    /** @return array<int, float> passage => how often the key stands in it, headings counting more */
    public function postings(string $key): array;

    public function passage(int $id): Passage;

    /** Words in a passage. */
    public function length(int $id): int;

    public function averageLength(): float;

    public function count(): int;

    /** @return list<Table> */
    public function tables(): array;

    /** @return list<string> stems that begin with these letters, for words that were misheard or misspelt */
    public function stemsFrom(string $letters): array;
}
