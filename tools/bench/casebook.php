<?php

declare(strict_types=1);

use Ringo\Dialogue\Engine;
use Ringo\Rehearsal\Casebook\Expectations;
use Ringo\Rehearsal\Casebook\KeptCase;
use Ringo\Rehearsal\Casebook\Line;
use Ringo\Rehearsal\Casebook\Trial;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\Input;
use Ringo\Script\ScriptReader;

/*
 * A casebook run: the cases are calls of stand-in callers, no two alike.
 */
return static function (Table $table): void {
    $script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../../database/demo/pellbrook/maren.json'));
    $now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
    $callers = new Crowd($script, $now, 'cases');
    $walk = new Walk(Engine::for($script), $now, 0.3);
    $cases = [];
    for ($n = 1; $n <= 310; $n++) {
        $walked = $walk->of($callers->caller($n));
        $lines = [];
        foreach ($walked->call->transcript->turns as $turn) {
            if ($turn->by === 'caller' && ($input = Input::fromLines($turn->text)) !== []) {
                $lines[] = new Line($input[0]);
            }
        }
        $cases[] = new KeptCase("case-{$n}", "Case {$n}", false, $walked->who->number, [], '2026-03-10T09:14', (string) $n, $lines, [], new Expectations(outcome: $walked->outcome));
    }
    $run = static fn (array $some): Spent => Spent::on(static function () use ($script, $some): void {
        $engine = Engine::for($script);
        foreach ($some as $case) {
            (new Trial($engine))->of($case);
        }
    });
    $run(array_slice($cases, 0, 10));
    $once = $run(array_slice($cases, 10, 100));
    $twice = $run(array_slice($cases, 110, 200));
    $table->row('a casebook of 200 cases', $twice, 4);
    $table->growth('the cases', $once, $twice);
};
