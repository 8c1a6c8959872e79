<?php

declare(strict_types=1);

// Measures against the budgets and prints a table: ./ringo bench

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\ScriptReader;

require __DIR__.'/../vendor/autoload.php';

$script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../database/demo/pellbrook/maren.json'));
$engine = Engine::for($script);
$opening = new Opening($script);
$rehearsal = new Rehearsal($engine);
$lines = [];
foreach (glob(__DIR__.'/../database/demo/pellbrook/calls/*.txt') ?: [] as $file) {
    $lines[] = Input::fromLines(strtr((string) file_get_contents($file), ['{name}' => 'my name is Nell Ashby', '{phone}' => 'yes', '{depot}' => 'Oldmere', '{n}' => '123']));
}
$state = static fn (int $i): CallState => $opening->state("bench-{$i}", new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London')), (string) $i, '+447700900123', null, ['known' => false]);

$run = static function (int $calls) use ($rehearsal, $state, $lines): array {
    $turns = [];
    $start = hrtime(true);
    for ($i = 0; $i < $calls; $i++) {
        $rehearsal->run($state($i), $lines[$i % count($lines)], static function (Event $event, Outcome $outcome, int $spent) use (&$turns): void {
            $turns[] = $spent / 1e6;
        });
    }
    sort($turns);

    return ['seconds' => (hrtime(true) - $start) / 1e9, 'p95' => $turns[(int) (count($turns) * 0.95)], 'turns' => count($turns)];
};

$run(40); // word tables are read once
$small = $run(250);
$large = $run(1000);
$memory = memory_get_peak_usage(true) / 1048576;
$row = static function (string $what, string $measured, string $budget, bool $within): void {
    printf("%-58s %16s %18s   %s\n", $what, $measured, $budget, $within ? 'within' : 'OVER');
};
printf("%-58s %16s %18s\n", 'what', 'measured', 'budget');
$row('one caller turn, '.count($script->steps).'-step script, p95 of '.$large['turns'].' turns', sprintf('%.2f ms', $large['p95']), 'p95 <= 5 ms', $large['p95'] <= 5);
$row('1,000 whole calls', sprintf('%.2f s', $large['seconds']), '<= 10 s', $large['seconds'] <= 10);
$row('memory at its highest', sprintf('%.0f MB', $memory), '<= 256 MB', $memory <= 256);
$ratio = $large['seconds'] / max(0.001, $small['seconds']);
$row('growth from 250 to 1,000 calls', sprintf('x %.2f', $ratio), 'about x 4', $ratio < 5.5);
$import = static function (int $rows): array {
    $line = (string) shell_exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(__DIR__.'/bench-import.php').' '.$rows);
    [$seconds, $megabytes, $made] = array_map(floatval(...), explode(' ', trim($line)) + [1 => 0, 2 => 0]);

    return ['seconds' => $made === (float) $rows ? $seconds : INF, 'megabytes' => $megabytes];
};
$few = $import(5_000);
$many = $import(50_000);
$constant = $many['megabytes'] <= $few['megabytes'] + 16;
$row('import of 50,000 contacts', sprintf('%.1f s', $many['seconds']), '<= 20 s', $many['seconds'] <= 20);
$row('its memory, 5,000 and 50,000 rows', sprintf('%.0f, %.0f MB', $few['megabytes'], $many['megabytes']), 'constant', $constant);
exit($many['seconds'] <= 20 && $constant && $large['p95'] <= 5 && $large['seconds'] <= 10 && $memory <= 256 ? 0 : 1);
