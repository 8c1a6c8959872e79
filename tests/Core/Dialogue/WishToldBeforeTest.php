<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\ScriptReader;

/** What was told before the step that agrees a time: wishes count, names that are months do not. */
final class WishToldBeforeTest extends TestCase
{
    #[TestWith(['Jan Moss'])]
    #[TestWith(['April Day'])]
    #[TestWith(['my name is Augusta March'])]
    public function testANameThatIsAMonthWishesForNothing(string $name): void
    {
        $call = self::harrowell()->says('I need my upright tuned', 'the north side', $name);

        self::assertStringContainsString('When would suit you?', (string) end($call->spoken), $call->heard());
    }

    public function testAWishTellsOfItself(): void
    {
        $call = self::harrowell()->says('I need my upright tuned on Thursday afternoon', 'the north side', 'Jan Moss');

        self::assertStringContainsString('Thursday', (string) end($call->spoken), $call->heard());
    }

    private static function harrowell(): Conversation
    {
        $folder = dirname(__DIR__, 3).'/database/demo/harrowell';
        $script = (new ScriptReader)->fromJson((string) file_get_contents("{$folder}/isolde.json"));
        $book = new SketchBook(Diaries::fromArray(json_decode((string) file_get_contents("{$folder}/diaries.json"), true, 32, JSON_THROW_ON_ERROR)));
        $state = (new Opening($script))->state('test', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900555', null, ['known' => false]);

        return new Conversation(Engine::for($script, appointments: $book), $state);
    }
}
