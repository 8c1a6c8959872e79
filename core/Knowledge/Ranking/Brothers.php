<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;

/** How units that stand side by side (rows, items, cells, clauses) differ, and whether it is this one that was asked about. */
final readonly class Brothers
{
    /**
     * The words by which a unit differs from its brothers: its row, its lead, a clause's own.
     *
     * @param array<string, array{list<float>, list<float>, list<float>}> $met
     *
     * @return list<float>
     */
    public static function telling(Unit $unit, array $met): array
    {
        return $unit->kind === Kind::Clause ? $met['own'][1] : $met['lead'][1];
    }

    /**
     * Whether the row, or the words before the colon, are those that were asked about, and whether a brother's are more.
     *
     * @param array<string, array{list<float>, list<float>, list<float>}> $met
     * @param array<int, list<float>> $leads
     *
     * @return array<string, float>
     */
    public static function lead(Unit $unit, float $said, array $met, array $leads, \Closure $cover, \Closure $tell): array
    {
        if ($unit->lead === '' && $unit->kind !== Kind::Clause) {
            return ['lead' => 0.0, 'lead_said' => 0.0, 'lead_over_brothers' => 0.0, 'lead_under_brother' => 0.0, 'clause_over_brothers' => 0.0, 'clause_under_brother' => 0.0];
        }
        $mine = self::telling($unit, $met);
        $most = [];
        $mean = [];
        foreach ($mine as $q => $value) {
            $theirs = array_column($leads, $q);
            $most[$q] = max(0.0, max([0.0, ...$theirs]) - $value);
            $mean[$q] = max(0.0, $value - array_sum($theirs) / max(1, count($theirs)));
        }

        $clause = $unit->kind === Kind::Clause ? 1.0 : 0.0;

        return ['lead' => (1 - $clause) * $cover($mine), 'lead_said' => (1 - $clause) * $said, 'lead_over_brothers' => (1 - $clause) * $tell($mean), 'lead_under_brother' => (1 - $clause) * $tell($most), 'clause_over_brothers' => $clause * $tell($mean), 'clause_under_brother' => $clause * $tell($most)];
    }

    /**
     * @param array<string, array{list<float>, list<float>, list<float>}> $met
     * @param array<int, list<float>> $columns
     *
     * @return array<string, float>
     */
    public static function column(Unit $unit, array $met, array $columns, \Closure $cover, \Closure $tell): array
    {
        if ($unit->kind !== Kind::Cell) {
            return ['column' => 0.0, 'column_over_brothers' => 0.0, 'column_under_brother' => 0.0, 'first_column' => 0.0];
        }
        $mine = $met['beside'][1];
        $over = [];
        $under = [];
        foreach ($mine as $q => $value) {
            $theirs = array_column($columns, $q);
            $under[$q] = max(0.0, max([0.0, ...$theirs]) - $value);
            $over[$q] = max(0.0, $value - array_sum($theirs) / max(1, count($theirs)));
        }

        return ['column' => $cover($mine), 'column_over_brothers' => $tell($over), 'column_under_brother' => $tell($under), 'first_column' => $unit->column === 1 ? 1.0 : 0.0];
    }
}
