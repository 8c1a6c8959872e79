<?php

declare(strict_types=1);

namespace Tests\Core\Extraction;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Extraction\CallTopic;
use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

final class CallTopicTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, string}>, ?string}> */
    public static function calls(): iterable
    {
        yield 'said at once' => [[['staff', 'Pellbrook Hire.'], ['caller', 'Hello, I would like to hire a mini digger.']], 'reserve'];
        yield 'after a greeting' => [[['staff', 'Pellbrook Hire.'], ['caller', 'Hello there.'], ['staff', 'How can I help?'], ['caller', 'The generator has broken down on site.']], 'breakdown'];
        yield 'what staff say does not count' => [[['staff', 'Has it broken down, or do you want to hire something?'], ['caller', 'Hello?']], null];
        yield 'nothing of the kind' => [[['staff', 'Hello.'], ['caller', 'Happy birthday to you.']], null];
        yield 'no words at all' => [[], null];
    }

    /** @param list<array{string, string}> $turns */
    #[DataProvider('calls')]
    public function testACallIsSortedByWhatTheCallerSaidFirst(array $turns, ?string $topic): void
    {
        self::assertSame($topic, (new CallTopic(Vocabulary::of()))->of($this->script(), new Transcript('x', '2026-03-10T09:00:00+00:00', 'Europe/London', 'GB', 'inbound', null, null, array_map(static fn (array $turn): Turn => new Turn($turn[0], $turn[1], 0.0, 1.0), $turns))));
    }

    public function testAllTopicsOfAScriptAreNamed(): void
    {
        self::assertArrayHasKey('breakdown', CallTopic::all($this->script()));
    }

    private function script(): Script
    {
        return (new ScriptReader)->fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/maren.json'));
    }
}
