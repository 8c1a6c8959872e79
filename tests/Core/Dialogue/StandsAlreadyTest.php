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
}
