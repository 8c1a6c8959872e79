<?php

declare(strict_types=1);

namespace App\Support\Sqlite;

use Illuminate\Support\Facades\DB;

/**
 * What SQLite knows of how many rows stand in its tables and how they spread, by which it chooses the index of a query. It gathers
 * that only when told to; PostgreSQL does so by itself. So many rows of each index are read at most, so that the write lock is held
 * for milliseconds however much is stored.
 */
final class Statistics
{
    private const ROWS_READ_OF_AN_INDEX = 400;

    public static function gather(): void
    {
        $connection = DB::connection();
        if ($connection->getDriverName() === 'sqlite') {
            $connection->statement('pragma analysis_limit = '.self::ROWS_READ_OF_AN_INDEX);
            $connection->statement('analyze');
        }
    }
}
