<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\End;
use Ringo\Dialogue\Actions\Listen;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Event;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;

/** What holds for every call, whatever the caller does. */
final class InvariantsTest extends TestCase
{
    use TestTrait;

    private const LINES = [
        'yes', 'no', 'mini digger', 'next Tuesday', 'for a week', 'Oldmere', 'what?', 'hang on', 'go back', 'start again', 'I already told you', 'how much is it', 'a person please', 'no, Wednesday', 'make it two weeks',
        'broken down', 'sdfkjh wer', 'Dara Whitcombe', '07700 900123', 'PH2043', '14 Mill Lane, Oldmere', 'or', 'no no no', 'are you open on Sunday', 'slower', 'bloody hell', "I'd rather not say", 'the second one', 'hmm', '…', '££ 5', "'", 'ñandú', 'one two three', 'yes but no', 'actually', 'three', 'that is wrong', 'it is with a K', 'on account',
    ];

    public function testAnySequenceOfInputsEndsWithinTheLimitsWithWordsAndAnOutcome(): void
    {
        $this->limitTo(40)->forAll(Generators::seq(Generators::choose(0, 59)))->then(function (array $picks): void {
            $call = Conversation::withMaren();
            $at = 0.0;
            $order = array_merge($picks, range(0, 59), array_reverse(range(0, 59)), range(0, 59));
            foreach ($order as $pick) {
                $call->happens($this->event((int) $pick, $at += 7));
                $ended = array_filter($call->last->actions, static fn (Action $action): bool => $action instanceof End) !== [];
                $listens = array_filter($call->last->actions, static fn (Action $action): bool => $action instanceof Listen) !== [];
                self::assertSame($call->state->ended, $ended, 'a call that ends says so');
                self::assertSame(! $ended, $listens, 'a call that goes on listens');
                if ($ended) {
                    self::assertNotSame('', (string) $call->state->outcome);
                    self::assertNotSame('', $call->heard(), 'no call ends without last words');

                    return;
                }
            }
            self::assertTrue($call->state->ended, 'the limits end every call');
        });
    }

    public function testStoringTheStateAfterEveryTurnChangesNothing(): void
    {
        $this->limitTo(25)->forAll(Generators::seq(Generators::choose(0, 59)))->then(function (array $picks): void {
            $kept = Conversation::withMaren();
            $stored = Conversation::withMaren();
            $at = 0.0;
            foreach ($picks as $pick) {
                $event = $this->event((int) $pick, $at += 7);
                $kept->happens($event);
                $stored->state = CallState::fromArray(json_decode(json_encode($stored->state->toArray(), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR));
                $stored->happens(Event::fromArray(json_decode(json_encode($event->toArray(), JSON_THROW_ON_ERROR), true, 8, JSON_THROW_ON_ERROR)));
                self::assertSame($kept->heard(), $stored->heard());
                self::assertSame(json_encode($kept->state->toArray()), json_encode($stored->state->toArray()));
            }
        });
    }

    public function testTheSameCallIsTheSameByteForByteAndTheSeedOnlyChangesVariants(): void
    {
        $lines = Input::fromLines((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/calls/reservation.txt'));
        $run = static function (string $seed) use ($lines): array {
            $call = Conversation::withMaren(seed: $seed);
            $finished = (new Rehearsal($call->engine))->run(new CallState('same', '2026-03-10T09:14:00+00:00', $seed, '+447700900742', null, ['known' => false]), $lines);

            return [json_encode([$finished->transcript->toArray(), $finished->state->toArray(), array_map(static fn ($trace): array => $trace->toArray(), $finished->traces)]), array_map(static fn ($held): mixed => $held->value, $finished->state->values)];
        };

        self::assertSame($run('7')[0], $run('7')[0]);
        self::assertSame($run('7')[1], $run('8')[1]);
    }

    public function testTheEngineDoesNotTouchTheStateItIsGiven(): void
    {
        $call = Conversation::withMaren();
        $before = json_encode($call->state->toArray());
        $call->engine->step($call->state, Event::said('a mini digger tomorrow', 9));

        self::assertSame($before, json_encode($call->state->toArray()));
    }

    private function event(int $pick, float $at): Event
    {
        return match (true) {
            $pick < count(self::LINES) => Event::said(self::LINES[$pick], $at),
            $pick < 50 => Event::keys((string) ($pick - 40), $at),
            $pick < 53 => Event::keys(['*', '#', '12#'][$pick - 50], $at),
            $pick < 58 => Event::silence(6, $at),
            default => Event::interrupted(1.2, $at),
        };
    }
}
