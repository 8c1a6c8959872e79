<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Callers who speak of something that was booked, bought or promised before are not taken for new ones. */
final class StandsAlreadyTest extends TestCase
{
    #[TestWith(['taxi', "I booked for half seven and nobody's come", 'late'])]
    #[TestWith(['theatre', "I booked two for tomorrow and I'm ill", 'exchange'])]
    public function testBothAreAskedAbout(string $trade, string $said, string $standing): void
    {
        $call = Conversation::with(json_decode((string) file_get_contents(__DIR__."/calls/{$trade}.json"), true, 64, JSON_THROW_ON_ERROR))->says($said);

        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());
        self::assertContains($standing, $call->state->candidates, $call->heard());
    }

    #[TestWith(["I've got one of your dumpers and it's just died on me"])]
    #[TestWith(['I want to cut my hire short'])]
    public function testWhatIsOnHireIsNotHiredAnew(string $said): void
    {
        $call = Conversation::withMaren()->says($said);

        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());
        self::assertContains('reserve', $call->state->candidates);
    }

    public function testSomethingNewIsTakenUpAtOnce(): void
    {
        self::assertSame('reserve', Conversation::withMaren()->says('I want to hire a dumper for Friday')->state->topic);
    }

    /** A new booking and a standing one are both spoken of: the caller is asked, and the number they give settles it. */
    public function testMuchToldOfANewOneIsAskedAboutOnce(): void
    {
        $call = Conversation::with([
            'agent' => ['name' => 'Perrin', 'business' => 'Lantern Theatre'],
            'sheet' => ['type' => 'object', 'properties' => ['show' => ['type' => 'string', 'title' => 'Show', 'enum' => ['owl', 'ice'], 'x-labels' => ['owl' => 'The Owl and the Ladder', 'ice' => 'Ice House']], 'seats' => ['type' => 'integer', 'title' => 'Seats'], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'], 'booking' => ['type' => 'string', 'format' => 'reference', 'title' => 'Booking', 'pattern' => '^LT[0-9]{4}$']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How may I help?', 'topics' => [
                    ['key' => 'book', 'label' => 'tickets', 'description' => 'booking seats, prices', 'next' => 'show'],
                    ['key' => 'swap', 'label' => 'changing tickets', 'description' => 'exchange, another night, cannot come', 'next' => 'booking'],
                ]],
                ['key' => 'show', 'kind' => 'ask', 'field' => 'show', 'prompt' => 'Which show: The Owl and the Ladder or Ice House?', 'next' => 'day'],
                ['key' => 'day', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'Which day?', 'next' => 'seats'],
                ['key' => 'seats', 'kind' => 'ask', 'field' => 'seats', 'prompt' => 'How many seats?', 'next' => 'bye'],
                ['key' => 'booking', 'kind' => 'ask', 'field' => 'booking', 'prompt' => 'What is your booking number?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ])->says("I booked two seats for the Owl on Saturday and my wife's poorly");
        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());

        $call->says("it's under Prentice, the number's L T eight eight one two");
        self::assertSame(['swap', 'LT8812'], [$call->state->topic, $call->value('booking')], $call->heard());
    }
}
