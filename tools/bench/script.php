<?php

declare(strict_types=1);

use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Inspection\Inspector;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;

/*
 * Scripts of many steps: the demonstration's questions over and over, with branches between them. Inspection of one, and
 * the turns of a call on one.
 */
return static function (Table $table): void {
    $maren = json_decode((string) file_get_contents(__DIR__.'/../../database/demo/pellbrook/maren.json'), true, 64, JSON_THROW_ON_ERROR);
    $asks = array_values(array_filter($maren['steps'], static fn (array $step): bool => $step['kind'] === 'ask'));
    $script = static function (int $size) use ($maren, $asks): ScriptDocument {
        $steps = [];
        for ($n = 0; $n < $size - 1; $n++) {
            $next = $n === $size - 2 ? 'over' : 's'.($n + 1);
            $steps[] = $n % 4 === 3
                ? ['key' => "s{$n}", 'kind' => 'branch', 'ways' => [['when' => ['value' => 'delivery', 'is' => $n % 8 === 3], 'next' => 's'.min($size - 2, $n + 3)]], 'otherwise' => $next]
                : ['way_out' => ['then' => 'leave'], 'key' => "s{$n}", 'next' => $next] + array_diff_key($asks[$n % count($asks)], ['scene' => 0]);
        }
        $end = array_values(array_filter($maren['steps'], static fn (array $step): bool => $step['kind'] === 'finish'))[0];

        // What stands beside the steps goes to steps that are not here.
        $rest = array_diff_key($maren, array_flip(['steps', 'first', 'standing', 'errands', 'transfers', 'recognition']));

        return ScriptDocument::fromJson(json_encode(['steps' => [...$steps, ['key' => 'over'] + array_diff_key($end, ['scene' => 0])], 'first' => 's0'] + $rest, JSON_THROW_ON_ERROR));
    };
    $inspect = static function (int $size) use ($script): Spent {
        $document = $script($size);

        return Spent::p95(array_fill(0, 7, static fn (): array => (new Inspector)->inspect($document)));
    };
    $inspect(60);
    $once = $inspect(350);
    $table->row('inspection of a script of 350 steps', $once, 0.100);
    $table->growth('the steps', $once, $inspect(700));

    $now = new DateTimeImmutable('2026-03-10T09:14', new DateTimeZone('Europe/London'));
    $call = static function (int $size) use ($script, $now): Spent {
        $engine = Engine::for($script($size)->script);
        $lines = [];
        for ($n = 0; $n < 30; $n++) {
            $lines[] = Input::fromLines(implode("\n", ["a mini digger number {$n}", 'from Tuesday', 'for '.(2 + $n).' days', 'Oldmere', 'yes please', (3 + $n).' Mill Lane in Oldmere', 'what was that again', 'my name is Nell Ashby', '07700 900123', 'no']));
        }

        return Spent::on(static function () use ($engine, $lines, $now): void {
            foreach ($lines as $n => $some) {
                (new Rehearsal($engine))->run((new Opening($engine->script))->state("long-{$n}", $now, (string) $n, '+447700900123', null, ['known' => false]), $some, static function (Event $event, Outcome $outcome, int $spent): void {
                });
            }
        });
    };
    $call(60);
    $once = $call(175);
    $twice = $call(350);
    $table->row('30 calls of ten lines on a script of 350 steps', $twice);
    $table->growth('the steps of the script called', $once, $twice);
};
