<?php

declare(strict_types=1);

// Measures against the budgets and prints a table: ./ringo bench [--only=calls,records,…] [--calls=300000]
// A part is a file of tools/bench/ that is given the table and writes its rows. Budgets are on processor time, wall time
// stands beside it; no input is measured twice; cost is shown at two sizes.

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/bench/Table.php';
require __DIR__.'/bench/Spent.php';

const PARTS = ['calls', 'casebook', 'records', 'script', 'answers', 'diary', 'outreach', 'campaign', 'imports', 'turn', 'speech', 'views'];

$given = getopt('', ['only::', 'calls::']);
$only = isset($given['only']) ? explode(',', is_string($given['only']) ? $given['only'] : '') : PARTS;
if (array_diff($only, PARTS) !== []) {
    fwrite(STDERR, 'There is no part "'.implode('", "', array_diff($only, PARTS)).'". Parts: '.implode(', ', PARTS).".\n");
    exit(2);
}
$table = new Table(max(1_000, (int) ($given['calls'] ?? 300_000)));
foreach (array_intersect(PARTS, $only) as $part) {
    (require __DIR__."/bench/{$part}.php")($table);
}
exit($table->end());
