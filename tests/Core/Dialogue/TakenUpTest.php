<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What was only asked about is wanted: 'can I book that', 'put me down for one'. */
final class TakenUpTest extends TestCase
{
    #[TestWith(['ok can I book that then'])]
    #[TestWith(['could you put me down please'])]
    #[TestWith(["I'll have one"])]
    #[TestWith(['can I have it on Friday'])]
    public function testTheOneTopicThatBeginsSomethingIsMeant(string $said): void
    {
        $call = self::hall([['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, book hall, party', 'next' => 'event']])->says('how much is the hall', $said);

        self::assertSame('hire', $call->state->topic, $call->heard());
    }

    public function testWhatIsAskedForTellsWhichOfSeveral(): void
    {
        $topics = [
            ['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, book hall, party', 'next' => 'event'],
            ['key' => 'group', 'label' => 'joining a group', 'description' => 'sign up, join a class, lessons', 'next' => 'event'],
        ];

        self::assertSame('group', self::hall($topics)->says('how much is the hall', 'can I sign up then')->state->topic);
        $open = self::hall($topics)->says('how much is the hall', "that sounds good, I'll take it");
        self::assertSame(Mode::Clarify, $open->state->mode, $open->heard());
        self::assertSame(['hire', 'group'], $open->state->candidates);
    }

    public function testNothingIsTakenUpThatWasNotSpokenOf(): void
    {
        $call = self::hall([['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, party', 'next' => 'event']])->says('can I have a word with the caretaker');

        self::assertNull($call->state->topic, $call->heard());
    }

    public function testWhatIsOnlyAskedAboutBeginsNothingAndCanBeTakenUp(): void
    {
        $call = self::hall([['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, party, dance', 'next' => 'event'], ['key' => 'pass', 'label' => 'a message', 'description' => 'pass something on', 'next' => 'message']])->says('how long is a dance usually');
        self::assertNull($call->state->topic, $call->heard());
        self::assertNotSame([], $call->last->trace->unanswered, 'nothing is invented');

        self::assertSame('hire', $call->says('ok book me in for one')->state->topic, $call->heard());
    }

    public function testAPriceGoesToTheTopicThatTellsThem(): void
    {
        $call = self::hall([['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, party, dance', 'next' => 'event'], ['key' => 'price', 'label' => 'a quote', 'description' => 'price, quote, how much', 'next' => 'message']])->says('what do you charge for a party');

        self::assertSame('price', $call->state->topic, $call->heard());
    }

    public function testAQuestionThatNamesSomethingNewIsAQuestion(): void
    {
        $call = self::hall([['key' => 'hire', 'label' => 'hiring the hall', 'description' => 'hire, book hall, party', 'next' => 'event']])->says('how much is the hall', 'can I get a refund for the chairs from last week');

        self::assertNull($call->state->topic, $call->heard());
    }

    /** @param list<array<string, string>> $first topics beside what is on, and leaving */
    private static function hall(array $first): Conversation
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/fixtures/hall.json'), true, 64, JSON_THROW_ON_ERROR);
        $document['steps'][0]['topics'] = [...$first, ['key' => 'on', 'label' => 'what is on', 'description' => 'events, coffee morning', 'next' => 'on']];
        $document['standing']['replies'] = [['key' => 'price', 'when' => ['how much is the hall'], 'say' => 'It is eleven pounds an hour.']];

        return Conversation::with($document);
    }
}
