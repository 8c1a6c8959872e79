<?php

declare(strict_types=1);

use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\ScriptReader;

/*
 * Single turns of a call in the core, and whole calls of stand-in callers.
 */
return static function (Table $table): void {
    $script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../../database/demo/pellbrook/maren.json'));
    $now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
    $engine = Engine::for($script);

    $rehearsal = new Rehearsal($engine);
    $turns = [];
    foreach (glob(__DIR__.'/../../database/demo/pellbrook/calls/*.txt') ?: [] as $n => $file) {
        $lines = Input::fromLines(strtr((string) file_get_contents($file), ['{name}' => 'my name is Nell Ashby', '{phone}' => 'yes', '{depot}' => 'Oldmere', '{n}' => (string) (100 + $n)]));
        $state = (new Opening($script))->state("bench-{$n}", $now, (string) $n, '+447700900123', null, ['known' => false]);
        $rehearsal->run($state, $lines, static function (Event $event, Outcome $outcome, int $spent) use (&$turns): void {
            $turns[] = $spent / 1e9;
        });
    }
    sort($turns);
    $p95 = $turns[(int) (count($turns) * 0.95)];
    // One turn is too short for the processor's clock, and waits for nobody: its wall time is its processor time.
    $table->row('one caller turn, '.count($script->steps).' steps, p95 of '.count($turns), new Spent($p95, $p95), 0.010);

    $crowd = Spent::queued('crowd', '1000');
    [$once, $twice] = [new Spent(...$crowd['half']), new Spent(...$crowd['whole'])];
    $table->row('1,000 stand-in calls, as the queue runs them', $twice, 10);
    $table->growth('the stand-in calls', $once, $twice);
    $table->number('memory at its highest', $crowd['megabytes'], 'MB', 256);
};
