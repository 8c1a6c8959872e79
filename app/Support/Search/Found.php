<?php

declare(strict_types=1);

namespace App\Support\Search;

use Illuminate\Database\Eloquent\Builder as ModelBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Query\Builder;

/**
 * Numbers of rows that a search found. Few are looked up one by one; of many, the database asks of each row it comes to whether it is
 * among them, so that a list that is cut after its first page does not fetch them all.
 */
final class Found
{
    /** As many rows are looked up quicker than a list is walked. */
    private const FEW = 2000;

    /** So many rows of a list are looked at before all that was found is laid out. */
    private const HEAD = 2000;

    /** @var list<int>|false|null */
    private array|false|null $few = null;

    /**
     * @param Builder $numbers selects them
     * @param string $column theirs
     */
    public function __construct(private readonly Builder $numbers, private readonly string $column, private readonly int $looksUp = self::FEW)
    {
    }

    /**
     * @template M of Model
     *
     * @param ModelBuilder<M> $query
     */
    public function narrow(ModelBuilder $query, string $column): void
    {
        $few = $this->few();
        $few === null ? $this->ask($query->getQuery(), $column) : $query->whereIntegerInRaw($column, $few);
    }

    /** @return list<int>|null them all, where they are few */
    public function few(): ?array
    {
        if ($this->few === null) {
            $some = $this->numbers((clone $this->numbers)->limit($this->looksUp + 1));
            $this->few = count($some) > $this->looksUp ? false : $some;
        }

        return $this->few === false ? null : $this->few;
    }

    /** Has each row asked for whether it is among them. */
    public function ask(Builder $query, string $column): void
    {
        // The sign keeps the database from beginning with what was found.
        $query->whereRaw("+{$column} in ({$this->numbers->toSql()})", $this->numbers->getBindings());
    }

    /**
     * @param list<int> $some
     *
     * @return list<int> those of them that were found
     */
    public function among(array $some): array
    {
        $few = $this->few();
        if ($few !== null || $some === []) {
            return array_values(array_intersect($some, $few ?? []));
        }
        // Between the bounds the search is gone through once; without the sign it would begin anew for each number.
        $among = (clone $this->numbers)->whereBetween($this->column, [min($some), max($some)]);

        return $this->numbers($among->whereRaw("+{$this->column} in (".implode(',', array_map(intval(...), $some)).')'));
    }

    /**
     * Those of an ordered list that all the searches found, beginning at its head, where enough of them stand there to fill a page: then no
     * more of the list need be looked at, nor all that was found be laid out.
     *
     * @param list<self> $founds
     *
     * @return list<int>|null
     */
    public static function atTheHead(array $founds, Builder $ordered, string $column, int $offset, int $count): ?array
    {
        $head = array_values(array_map(intval(...), (clone $ordered)->limit(self::HEAD)->pluck($column)->all()));
        $left = $head;
        foreach ($founds as $found) {
            $among = array_fill_keys($found->among($left), true);
            $left = array_values(array_filter($left, static fn (int $one): bool => isset($among[$one])));
        }

        return count($left) < $offset + $count && count($head) === self::HEAD ? null : array_slice($left, $offset, $count);
    }

    public function query(): Builder
    {
        return $this->numbers;
    }

    /** @return list<int> */
    private function numbers(Builder $query): array
    {
        return array_values(array_map(intval(...), $query->pluck($this->column)->all()));
    }
}
