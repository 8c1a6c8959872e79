<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Rehearsal\Differences;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Transcript\Turn;

final class RehearsalTest extends TestCase
{
    public function testReadsCallerLines(): void
    {
        $inputs = Input::fromLines("; a remark\nhello\n\n#12\n...\n... 9\n/1.5\n--\n");

        self::assertSame([['say' => 'hello'], ['key' => '12'], ['silence' => 6.0], ['silence' => 9.0], ['interrupt' => 1.5], ['hang_up' => true]], array_map(static fn (Input $input): array => $input->toArray(), $inputs));
    }

    public function testKeepsTimeAndCutsWhatWasBrokenInto(): void
    {
        $engine = Engine::for(Conversation::script());
        $call = (new Rehearsal($engine))->run(new CallState('c', '2026-03-10T09:14:00+00:00', '1', null, null, ['known' => false]), Input::fromLines("/1\nI need a breaker\n...\ntomorrow"));
        $turns = $call->transcript->turns;

        self::assertTrue($turns[0]->cut);
        self::assertLessThan(3.0, $turns[1]->at);
        for ($i = 1; $i < count($turns); $i++) {
            self::assertGreaterThanOrEqual($turns[$i - 1]->at, $turns[$i]->at, 'turns follow each other');
        }
        self::assertSame('2026-03-11', $call->state->values['start_date']->value);
        $again = (new Rehearsal($engine))->run(new CallState('c', '2026-03-10T09:14:00+00:00', '1', null, null, ['known' => false]), Input::fromEvents(array_map(static fn ($event): array => $event->toArray(), $call->events)));
        self::assertEquals($call->transcript->toArray(), $again->transcript->toArray());
    }

    public function testLinesUpWhatDiffers(): void
    {
        $turn = static fn (string $by, string $text): Turn => new Turn($by, $text, 0, 1);
        $rows = (new Differences)->turns(
            [$turn('agent', 'Hello.'), $turn('caller', 'a saw'), $turn('agent', 'Which day?'), $turn('caller', 'Friday')],
            [$turn('agent', 'Hi there.'), $turn('caller', 'a saw'), $turn('agent', 'Which depot?'), $turn('agent', 'Well?'), $turn('caller', 'Friday')],
        );

        self::assertSame([false, true, false, false, true], array_column($rows, 'same'));
        self::assertSame(['Hello.', 'Hi there.'], [$rows[0]['before']?->text, $rows[0]['after']?->text]);
        self::assertNull($rows[3]['before']);
        self::assertSame([['field' => 'b', 'before' => null, 'after' => '2']], (new Differences)->cells(['a' => ['value' => 1, 'display' => '1']], ['a' => ['value' => 1, 'display' => '1'], 'b' => ['value' => 2, 'display' => '2']]));
    }
}
