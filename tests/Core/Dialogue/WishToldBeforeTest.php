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
        $call = Conversation::withIsolde()->says('I need my upright tuned', 'the north side', $name);

        self::assertStringContainsString('When would suit you?', (string) end($call->spoken), $call->heard());
    }

    #[TestWith(['what day is it today'])]
    #[TestWith(["sorry, what's the date today"])]
    public function testWhoeverAsksWhatDayItIsWishesForNothing(string $question): void
    {
        $call = Conversation::withIsolde()->says('I need my upright tuned', $question, 'the north side', 'Jan Moss');

        self::assertStringContainsString('When would suit you?', (string) end($call->spoken), $call->heard());
    }

    public function testAWishTellsOfItself(): void
    {
        $call = Conversation::withIsolde()->says('I need my upright tuned on Thursday afternoon', 'the north side', 'Jan Moss');

        self::assertStringContainsString('Thursday', (string) end($call->spoken), $call->heard());
    }

    /**
     * Figures that answered something else are no hours, and a day of birth is no day to come.
     *
     * @param array<string, mixed> $field
     */
    #[TestWith([['type' => 'integer', 'title' => 'Players'], 'two'])]
    #[TestWith([['type' => 'string', 'title' => 'Holes', 'enum' => ['nine', 'eighteen'], 'x-labels' => ['nine' => 'nine holes', 'eighteen' => 'eighteen holes']], 'the full eighteen'])]
    #[TestWith([['type' => 'string', 'format' => 'reference', 'title' => 'Order'], 'PH2107'])]
    #[TestWith([['type' => 'string', 'format' => 'date', 'title' => 'Date of birth'], 'the first of January nineteen sixty'])]
    public function testWhatAnsweredSomethingElseIsNoWish(array $field, string $answer): void
    {
        $call = self::round($field)->says('good morning, I want a round', $answer);
        self::assertStringContainsString('When would you like to play?', (string) end($call->spoken), $call->heard());

        $call = self::round($field)->says('morning, any chance of getting a round on Saturday', $answer);
        self::assertStringContainsString('Saturday', (string) end($call->spoken), $call->heard());
        self::assertStringContainsString('eight', (string) end($call->spoken), $call->heard());
    }

    /** @param array<string, mixed> $field asked for before the time is agreed */
    private static function round(array $field): Conversation
    {
        $script = (new ScriptReader)->fromArray([
            'agent' => ['name' => 'Brice', 'business' => 'Heron Links', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'properties' => ['asked' => $field, 'start' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Tee time']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [['key' => 'book', 'label' => 'a round', 'description' => 'playing golf', 'next' => 'ask'], ['key' => 'bill', 'label' => 'a bill', 'description' => 'paying', 'next' => 'bye']]],
                ['key' => 'ask', 'kind' => 'ask', 'field' => 'asked', 'prompt' => 'And '.mb_strtolower($field['title']).'?', 'next' => 'agree'],
                ['key' => 'agree', 'kind' => 'book', 'does' => 'book', 'service' => 'round', 'field' => 'start', 'prompt' => 'When would you like to play?', 'next' => 'bye', 'none' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ]);
        $book = new SketchBook(Diaries::fromArray(['tz' => 'Europe/London', 'hours' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], ['08:00-22:00']), 'services' => [['key' => 'round', 'label' => 'a round', 'minutes' => 10, 'step' => 10, 'ahead_days' => 21]], 'diaries' => [['key' => 'tee', 'name' => 'tee', 'services' => ['round']]]]));
        $state = (new Opening($script))->state('test', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900555', null, ['known' => false]);

        return new Conversation(Engine::for($script, appointments: $book), $state);
    }
}
