<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A day told before the question for a day and an hour. It is a Tuesday, the tenth of March 2026. */
final class DayAheadTest extends TestCase
{
    public function testOnlyTheHourIsAskedFor(): void
    {
        $call = self::call()->says('can I book two seats for the fourteenth');
        self::assertStringEndsWith('You said the fourteenth. At what time?', $call->heard());

        self::assertSame('2026-03-14T19:30', $call->says('half past seven in the evening')->value('when'), $call->heard());
    }

    public function testTheDayStandsUntilTheHourIsUnderstood(): void
    {
        $call = self::call()->says('two seats for next Saturday please', 'the evening one', 'hm that is a good one', 'half seven');

        self::assertSame('2026-03-21T19:30', $call->value('when'), $call->heard());
    }

    public function testAnotherDayTakesItsPlace(): void
    {
        $call = self::call()->says('can I book two seats for the fourteenth', 'no, make it the sixteenth at eight in the evening');

        self::assertSame('2026-03-16T20:00', $call->value('when'), $call->heard());
    }

    /** A show begins in the evening, a lesson may not. */
    #[TestWith(['What day and what time is the performance?', 'half past seven', '19:30'])]
    #[TestWith(['When would you like your table?', 'at eight', '20:00'])]
    #[TestWith(['When would you like your table?', 'at eight for breakfast', '08:00'])]
    #[TestWith(['When would you like your lesson?', 'at eight', '08:00'])]
    public function testTheHourOfAnEveningIsTheEvenings(string $question, string $said, string $hour): void
    {
        $call = Conversation::asking(['when' => ['type' => 'string', 'format' => 'date-time', 'title' => 'When']], ['when' => $question])->says('the fourteenth '.$said);

        self::assertSame('2026-03-14T'.$hour, $call->value('when'), $call->heard());
    }

    #[TestWith(["I couldn't get through on Friday, I want two seats"])]
    #[TestWith(['I want two seats, like we had last March'])]
    public function testADayOfAnotherMatterIsNoHalf(string $said): void
    {
        self::assertStringEndsWith('What day and what time?', self::call()->says($said)->heard());
    }

    private static function call(): Conversation
    {
        return Conversation::with([
            'agent' => ['name' => 'Perrin', 'business' => 'Lantern Theatre'],
            'sheet' => ['type' => 'object', 'properties' => ['when' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Performance'], 'seats' => ['type' => 'integer', 'title' => 'Seats']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How may I help?', 'topics' => [['key' => 'book', 'label' => 'seats', 'description' => 'booking tickets', 'next' => 'when'], ['key' => 'lost', 'label' => 'lost property', 'next' => 'bye']]],
                ['key' => 'when', 'kind' => 'ask', 'field' => 'when', 'prompt' => 'What day and what time?', 'next' => 'seats'],
                ['key' => 'seats', 'kind' => 'ask', 'field' => 'seats', 'prompt' => 'How many seats?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ]);
    }
}
