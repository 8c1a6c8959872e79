<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    'stores' => [
        'array' => ['driver' => 'array'],
        'database' => ['driver' => 'database', 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'redis' => ['driver' => 'redis', 'connection' => 'cache'],
    ],
    'prefix' => 'ringo',
];
