<?php

declare(strict_types=1);

return [
    'default' => env('DB_CONNECTION', 'sqlite'),
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('ringo.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Milliseconds: on a machine that is very busy a caller's turn rather waits than fails.
            'busy_timeout' => 15000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
            // From PHP 8.4 on; before, a transaction that may race begins with a write.
            'transaction_mode' => 'IMMEDIATE',
            // A server that answers one request after the other keeps its connection, and with it what SQLite has read of the tables. What a
            // request leaves unfinished is rolled back at its end; from PHP 8.4 on transactions are begun otherwise and are not.
            'options' => env('DB_PERSISTENT', false) && PHP_VERSION_ID < 80400 ? [PDO::ATTR_PERSISTENT => true] : [],
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'ringo'),
            'username' => env('DB_USERNAME', 'ringo'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'search_path' => 'public',
        ],
    ],
    'migrations' => ['table' => 'migrations'],
    'redis' => [
        'client' => env('REDIS_CLIENT', 'phpredis'),
        'default' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'database' => 0],
        'cache' => ['host' => env('REDIS_HOST', '127.0.0.1'), 'port' => env('REDIS_PORT', '6379'), 'database' => 1],
    ],
];
