<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** Where passages are looked up by their words; in memory here, in a database where there are thousands. */
interface Shelf
{
    /** @return array<int, float> passage => how often the key stands in it, headings counting more; the strongest few hundred where there are more */
    public function postings(string $key): array;

    /** In how many passages a key stands. */
    public function spread(string $key): int;

    public function passage(int $id): Passage;

    /** @return list<int> every passage there is; asked for only where there are few */
    public function ids(): array;

    /**
     * Told which passages will be looked at, so that they can be fetched in one go.
     *
     * @param list<int> $ids
     */
    public function prepare(array $ids): void;

    /** Words in a passage. */
    public function length(int $id): int;

    public function averageLength(): float;

    public function count(): int;

    /** @return list<Table> */
    public function tables(): array;

    /** @return list<string> stems that begin with these letters, for words that were misheard or misspelt */
    public function stemsFrom(string $letters): array;
}
