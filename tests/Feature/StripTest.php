<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\StepTurns;
use App\Support\StripWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the call strip shows of words, and which turns a step of the trace wrote. */
final class StripTest extends TestCase
{
    /** @param list<string> $lines */
    #[DataProvider('texts')]
    public function testWordsStandWhereThereIsRoomForThem(string $text, float $width, array $lines): void
    {
        self::assertSame($lines, StripWords::of($text, $width));
    }

    /** @return iterable<string, array{string, float, list<string>}> */
    public static function texts(): iterable
    {
        yield 'all of it on one line' => ['Good morning', 90.0, ['Good morning']];
        yield 'on two lines' => ['Good morning, Pellbrook Hire', 90.0, ['Good morning,', 'Pellbrook Hire']];
        yield 'cut after a whole word, with a sign' => ['Good morning, Pellbrook Hire, this is Maren', 90.0, ['Good morning,', 'Pellbrook…']];
        yield 'a word that fills the line stays whole' => ['abcdefghij abcdefghij k', 61.0, ['abcdefghij', 'abcdefghij']];
        yield 'not one word has room' => ['Goodmorning everybody', 50.0, []];
        yield 'no room at all' => ['yes', 12.0, []];
        yield 'nothing said' => ['', 200.0, []];
    }

    public function testEachStepHasTheTurnsItWrote(): void
    {
        $step = static fn (int $n, string $kind, float $at, string $heard): object => (object) ['n' => $n, 'event' => ['kind' => $kind, 'at' => $at], 'trace' => ['heard' => $heard]];
        $turn = static fn (int $n, string $by, float $at): object => (object) ['n' => $n, 'by' => $by, 'at' => $at];
        $steps = [$step(0, 'started', 0.0, ''), $step(1, 'said', 8.0, 'a digger'), $step(2, 'silence', 15.0, ''), $step(3, 'said', 22.0, 'hold on'), $step(4, 'hung_up', 25.0, '')];
        $turns = [$turn(0, 'agent', 0.0), $turn(1, 'caller', 6.9), $turn(2, 'agent', 8.4), $turn(3, 'agent', 15.4), $turn(4, 'caller', 21.2)];

        self::assertSame([0 => [0], 1 => [1, 2], 2 => [3], 3 => [4], 4 => []], StepTurns::of($steps, $turns));
    }
}
