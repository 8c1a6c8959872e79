<?php

declare(strict_types=1);

namespace App\Support\Postgres;

use Illuminate\Database\PostgresConnection;

/** PostgreSQL, made to answer as SQLite does where the two differ and Ringo relies on it. */
final class Connection extends PostgresConnection
{
    protected function getDefaultQueryGrammar(): LikeGrammar
    {
        return new LikeGrammar($this);
    }
}
