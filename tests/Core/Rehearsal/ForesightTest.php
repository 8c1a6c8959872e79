<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Rehearsal\Does;
use Ringo\Rehearsal\Foreseen;
use Ringo\Rehearsal\Foresight;

/** What the demonstration's agent would do with first words. */
final class ForesightTest extends TestCase
{
    private static Foresight $foresight;

    public static function setUpBeforeClass(): void
    {
        $script = ScriptDocument::fromJson((string) file_get_contents(__DIR__.'/../../../database/demo/pellbrook/maren.json'))->script;
        $state = (new Opening($script))->state('x', new \DateTimeImmutable('2026-03-10T10:00', new \DateTimeZone('Europe/London')), '1', null, null, ['known' => false]);
        self::$foresight = new Foresight(Engine::for($script), $state);
    }

    public function testTellsTopicAnswerQuestionAndNothingApart(): void
    {
        $topic = self::$foresight->of("my machine won't start");
        self::assertSame([Does::Topic, 'breakdown'], [$topic->does, $topic->target]);
        self::assertGreaterThan(0.5, $topic->sureness);
        self::assertNotSame('', $topic->spoken);
        self::assertSame(Does::Nothing, self::$foresight->of('dishwasher')->does);
        self::assertSame(Does::Call, self::$foresight->of('hang on a second')->does);
        self::assertTrue(self::$foresight->of('are you open on Saturday')->does->serves());
    }

    public function testEachIsACallOfItsOwn(): void
    {
        $first = self::$foresight->of('I want to hire a mini digger');
        self::$foresight->of('my machine broke down');
        self::assertEquals($first, self::$foresight->of('I want to hire a mini digger'));
    }

    public function testAComplaintWithANegationDoesNotEndTheCall(): void
    {
        foreach (["I can't start it", "it won't track left", 'want to dig a pond, never driven anything'] as $said) {
            self::assertStringNotContainsString('Goodbye', self::$foresight->of($said)->spoken, $said);
        }
    }

    public function testGoesThroughItsArray(): void
    {
        $one = self::$foresight->of('I want to hire a mini digger');
        self::assertEquals($one, Foreseen::fromArray($one->toArray()));
    }
}
