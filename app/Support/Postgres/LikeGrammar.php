<?php

declare(strict_types=1);

namespace App\Support\Postgres;

use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\Grammars\PostgresGrammar;

/** What people look for is found whatever its case, as in SQLite. Documents stay `json`: jsonb would forget the order of their keys. */
final class LikeGrammar extends PostgresGrammar
{
    /** @param array<string, mixed> $where */
    protected function whereBasic(Builder $query, $where): string
    {
        return parent::whereBasic($query, ['operator' => $where['operator'] === 'like' ? 'ilike' : $where['operator']] + $where);
    }
}
