<?php

declare(strict_types=1);

namespace Tests\Core\Advice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Advice\Blackout;
use Ringo\Advice\Checker;
use Ringo\Advice\Doubt;
use Ringo\Advice\Letter;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;

/** What an adviser is asked, and how little of what it answers is believed. */
final class CheckerTest extends TestCase
{
    public function testAKeyThatWasGivenIsTaken(): void
    {
        $opinion = (new Checker)->read(self::choice(), 200, self::body('{"choice": "repairs"}'));

        self::assertSame([Opinion::TAKEN, 'repairs', 61, 7], [$opinion->status, $opinion->value, $opinion->tokensIn, $opinion->tokensOut]);
        self::assertSame(Opinion::NONE, (new Checker)->read(self::choice(), 200, self::body('{"choice": "none"}'))->status);
    }

    /** @return iterable<string, array{string}> */
    public static function useless(): iterable
    {
        yield 'another key' => [self::body('{"choice": "sales"}')];
        yield 'a label for a key' => [self::body('{"choice": "the workshop"}')];
        yield 'something beside it' => [self::body('{"choice": "repairs", "say": "We are closed."}')];
        yield 'a sentence' => [self::body('The caller wants repairs.')];
        yield 'JSON in a fence' => [self::body("```json\n{\"choice\": \"repairs\"}\n```")];
        yield 'a list' => [self::body('["repairs"]')];
        yield 'a number' => [self::body('{"choice": 1}')];
        yield 'null' => [self::body('{"choice": null}')];
        yield 'a quotation' => [self::body('{"quote": "grinding"}')];
        yield 'another shape' => ['{"choice": "repairs"}'];
        yield 'content in parts' => ['{"choices": [{"message": {"content": [{"type": "text", "text": "{\"choice\": \"repairs\"}"}]}}]}'];
        yield 'no choices' => ['{"choices": []}'];
        yield 'a page' => ['<!doctype html><title>Welcome</title>'];
        yield 'nothing' => [''];
        yield 'much' => [self::body('{"choice": "repairs"}').str_repeat(' ', 70_000)];
        yield 'deep' => [str_repeat('[', 5000).str_repeat(']', 5000)];
        yield 'no UTF-8' => ["\xff\xfe"];
    }

    #[DataProvider('useless')]
    public function testAnythingElseIsThrownAway(string $body): void
    {
        $opinion = (new Checker)->read(self::choice(), 200, $body);

        self::assertSame([Opinion::THROWN_AWAY, ''], [$opinion->status, $opinion->value]);
        self::assertNotSame('', $opinion->why);
    }

    public function testAServerThatRefusesHasFailed(): void
    {
        self::assertSame([Opinion::FAILED, 'it answered 503'], [($one = (new Checker)->read(self::choice(), 503, self::body('{"choice": "repairs"}')))->status, $one->why]);
    }

    /** @return iterable<array{string, string}> */
    public static function quotations(): iterable
    {
        yield ['next Thursday', 'next Thursday'];
        yield ['NEXT  thursday', 'next Thursday'];
        yield ['the week after', ''];
        yield ['Thurs', ''];
        yield ['next Thursday I have a van', ''];
        yield [str_repeat('next Thursday ', 30), ''];
        yield ['•••', '•••'];
        yield ['.*', ''];
    }

    #[DataProvider('quotations')]
    public function testOnlyWordsThatStandThereAreQuoted(string $words, string $taken): void
    {
        $doubt = new Doubt(Purpose::Field, 'Day: when it is wanted', '', [], "it would be next Thursday\nI have a van\nring •••");
        $opinion = (new Checker)->read($doubt, 200, self::body((string) json_encode(['quote' => $words])));

        self::assertSame($taken, $opinion->value);
        self::assertSame($taken === '' ? Opinion::THROWN_AWAY : Opinion::TAKEN, $opinion->status);
        self::assertSame(Opinion::NONE, (new Checker)->read($doubt, 200, self::body('{"quote": " "}'))->status);
    }

    public function testTheLetterLeavesRoomForNothingElse(): void
    {
        $letter = (new Letter)->of(self::choice(), 'small');

        self::assertSame([0, 'small'], [$letter['temperature'], $letter['model']]);
        self::assertSame(['repairs', 'office', 'none'], $letter['response_format']['json_schema']['schema']['properties']['choice']['enum']);
        self::assertFalse($letter['response_format']['json_schema']['schema']['additionalProperties']);
        self::assertStringContainsString('my motor is grinding', (string) json_encode($letter['messages']));
    }

    /** @return iterable<array{string, list<string>, string}> */
    public static function secret(): iterable
    {
        yield ['my card is 4000 1234 5678 9010', [], 'my card is •••'];
        yield ['ring oh seven seven double oh nine hundred', [], 'ring ••• hundred'];
        yield ['seven seven oh oh nine', [], '•••'];
        yield ['it is ann@mill.example, thanks', [], 'it is •••, thanks'];
        yield ['the code is Blue  Heron today', ['blue heron'], 'the code is ••• today'];
        yield ['a two or three day hire, 12 of them', [], 'a two or three day hire, 12 of them'];
        yield ['the herons', ['heron'], 'the herons'];
        yield ['', [''], ''];
    }

    /** @param list<string> $kept */
    #[DataProvider('secret')]
    public function testWhatIsKeptBackAndLongNumbersAreTakenOut(string $text, array $kept, string $left): void
    {
        self::assertSame($left, (new Blackout)->of($text, $kept));
    }

    public function testADoubtIsTheSameWhereverItComesUp(): void
    {
        $again = Doubt::fromArray(json_decode((string) json_encode(self::choice()->toArray()), true));

        self::assertSame(self::choice()->key(), $again->key());
        self::assertNotSame(self::choice()->key(), (new Doubt(Purpose::Team, 'What does the caller want?', 'my motor is grinding', ['repairs' => 'the workshop', 'office' => 'the office']))->key());
    }

    private static function choice(): Doubt
    {
        return new Doubt(Purpose::Topic, 'What does the caller want?', 'my motor is grinding', ['repairs' => 'the workshop', 'office' => 'the office']);
    }

    private static function body(string $content): string
    {
        return (string) json_encode(['choices' => [['index' => 0, 'message' => ['role' => 'assistant', 'content' => $content], 'finish_reason' => 'stop']], 'usage' => ['prompt_tokens' => 61, 'completion_tokens' => 7]]);
    }
}
