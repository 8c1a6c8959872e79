<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** Passages and tables held in memory, indexed by their words. */
final class MemoryShelf implements Shelf
{
    private const HEADING = 2.2;

    private const ABOVE = 1.0;

    /** @var list<Passage> */
    private array $passages = [];

    /** @var list<Table> */
    private array $tables = [];

    /** @var array<string, array<int, float>> */
    private array $postings = [];

    /** @var list<int> */
    private array $lengths = [];

    /** @param iterable<Document> $documents */
    public function __construct(iterable $documents, private readonly Terms $terms)
    {
        foreach ($documents as $document) {
            foreach ($document->passages as $passage) {
                $this->add($passage);
            }
            array_push($this->tables, ...$document->tables);
            foreach ($document->tables as $table) {
                array_map($this->add(...), Passage::ofTable($table));
            }
        }
    }

    public function postings(string $key): array
    {
        return $this->postings[$key] ?? [];
    }

    public function spread(string $key): int
    {
        return count($this->postings[$key] ?? []);
    }

    public function passage(int $id): Passage
    {
        return $this->passages[$id];
    }

    public function ids(): array
    {
        return array_keys($this->passages);
    }

    public function prepare(array $ids): void
    {
    }

    public function length(int $id): int
    {
        return $this->lengths[$id];
    }

    public function averageLength(): float
    {
        return $this->lengths === [] ? 1.0 : array_sum($this->lengths) / count($this->lengths);
    }

    public function count(): int
    {
        return count($this->passages);
    }

    public function tables(): array
    {
        return $this->tables;
    }

    public function stemsFrom(string $letters): array
    {
        return array_values(array_filter(array_map(strval(...), array_keys($this->postings)), static fn (string $key): bool => str_starts_with($key, $letters)));
    }

    /** @return array<string, array<int, float>> */
    public function all(): array
    {
        return $this->postings;
    }

    /** @return list<Passage> */
    public function passages(): array
    {
        return $this->passages;
    }

    private function add(Passage $passage): void
    {
        $id = count($this->passages);
        $this->passages[] = $passage;
        $keys = $this->terms->keys($passage->text());
        $this->lengths[] = count($keys);
        foreach ([[$keys, 1.0], [$this->terms->keys($passage->heading), self::HEADING], [$this->terms->keys(implode('. ', $passage->path).'. '.self::name($passage->source)), self::ABOVE]] as [$some, $weight]) {
            foreach ($some as $key) {
                $this->postings[$key][$id] = ($this->postings[$key][$id] ?? 0.0) + $weight;
            }
        }
    }

    /** The words of a file's name: 'delivery-zones.md' speaks of delivery zones. */
    public static function name(string $source): string
    {
        return trim((string) preg_replace(['/\.\w{2,4}$/', '/[^\p{L}\p{N}]+/u'], ['', ' '], basename($source)));
    }
}
