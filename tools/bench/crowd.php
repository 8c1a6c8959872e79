<?php

declare(strict_types=1);

// Whole calls of stand-in callers, half as many and then so many, as the queue runs them; prints JSON: seconds of processor
// and of the clock, and megabytes. A process of its own for tools/bench/calls.php.

use Ringo\Dialogue\Engine;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Script\ScriptReader;

require __DIR__.'/../../vendor/autoload.php';
require __DIR__.'/Spent.php';
$script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../../database/demo/pellbrook/maren.json'));
$now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
$calls = (int) ($argv[1] ?? 1000);
$walk = new Walk(Engine::for($script), $now, 0.3);
$told = [];
foreach (['first' => 40, 'half' => intdiv($calls, 2), 'whole' => $calls] as $seed => $count) { // in the first, word tables are read
    $callers = new Crowd($script, $now, $seed);
    $spent = Spent::on(static function () use ($callers, $walk, $count): void {
        for ($n = 1; $n <= $count; $n++) {
            $walk->of($callers->caller($n));
        }
    });
    $told[$seed] = ['processor' => $spent->processor, 'clock' => $spent->clock];
}
echo json_encode($told + ['megabytes' => memory_get_peak_usage(true) / 1048576], JSON_THROW_ON_ERROR), "\n";
