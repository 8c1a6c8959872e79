<?php

declare(strict_types=1);

use Ringo\Dialogue\Engine;
use Ringo\Extraction\Extractor;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Script\ScriptReader;
use Ringo\Transcript\Transcript;

/*
 * Records from what was said: calls of stand-in callers, no two alike, those of about twenty turns kept. Most calls are
 * shorter, so three hundred are measured and the cost told for a thousand.
 */
return static function (Table $table): void {
    $script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../../database/demo/pellbrook/maren.json'));
    $now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
    $callers = new Crowd($script, $now, 'records');
    $walk = new Walk(Engine::for($script), $now, 0.3);
    /** @var list<Transcript> $calls */
    $calls = [];
    for ($n = 1; count($calls) < 470 && $n < 20_000; $n++) {
        $call = $walk->of($callers->caller($n))->call->transcript;
        if (abs(count($call->turns) - 20) <= 5) {
            $calls[] = $call;
        }
    }
    $extractor = Extractor::for($script->sheet);
    $extract = static fn (array $some): Spent => Spent::on(static function () use ($extractor, $some): void {
        foreach ($some as $call) {
            $extractor->extract($call);
        }
    });
    $extract(array_slice($calls, 0, 20));
    $once = $extract(array_slice($calls, 20, 150));
    $twice = $extract($some = array_slice($calls, 170, 300));
    $turns = array_sum(array_map(static fn (Transcript $one): int => count($one->turns), $some)) / count($some);
    $all = 1000 / count($some);
    $table->row(sprintf('records, for 1,000 distinct calls of %.1f turns, %d fields', $turns, count($script->sheet->fields)), new Spent($all * $twice->processor, $all * $twice->clock), 10);
    $table->growth('the calls', $once, $twice);
};
