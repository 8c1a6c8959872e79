<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Values that come in pieces, turn after turn. */
final class InPiecesTest extends TestCase
{
    private const EMAIL = ['type' => 'string', 'format' => 'email', 'title' => 'E-mail'];

    /** @param list<string> $said */
    #[TestWith([['hmarsh at example', 'dot com'], 'hmarsh@example.com'])]
    #[TestWith([['helen marsh', 'at example dot com'], 'helenmarsh@example.com'])]
    #[TestWith([['helen dot marsh', 'at example', 'dot com'], 'helen.marsh@example.com'])]
    #[TestWith([["I'm not at home", 'hmarsh at example dot com'], 'hmarsh@example.com'])]
    public function testAnAddressOfEmail(array $said, string $address): void
    {
        self::assertSame($address, $this->asking(self::EMAIL, 'What is your e-mail address?')->says(...$said)->value('asked'));
    }

    public function testWhatHasBegunIsWaitedFor(): void
    {
        self::assertStringContainsString('o on', $this->asking(self::EMAIL, 'What is your e-mail address?')->says('hmarsh at example')->heard());
    }

    public function testAFigureIsInTheUnitThatWasNamed(): void
    {
        self::assertSame('P4D', $this->asking(['type' => 'string', 'format' => 'duration', 'title' => 'Length'], 'How long do you need it for?')->says('a few days', 'four')->value('asked'));
    }

    /** @param array<string, mixed> $field */
    private function asking(array $field, string $question): Conversation
    {
        return Conversation::asking(['asked' => $field, 'windows' => ['type' => 'integer', 'title' => 'Windows']], ['asked' => $question, 'windows' => 'How many windows?']);
    }

    #[TestWith(['hang on, it was the nineteenth', '2025-11-19'])]
    #[TestWith(['hold on, the nineteenth of November 2025 would be better', '2025-11-19'])]
    #[TestWith(["hang on, someone's at the door", '2025-11-16'])]
    #[TestWith(["give me a minute, it's in the other room", '2025-11-16'])]
    #[TestWith(["wait a sec, where's my pen", '2025-11-16'])]
    public function testWhoAsksForAMomentMayPutSomethingRight(string $said, string $born): void
    {
        $fields = ['born' => ['type' => 'string', 'format' => 'date', 'title' => 'Date of birth'], 'session' => ['type' => 'string', 'title' => 'Session', 'enum' => ['am', 'pm', 'full'], 'x-labels' => ['am' => 'mornings', 'pm' => 'afternoons', 'full' => 'full days']]];
        $call = Conversation::asking($fields, ['born' => 'When was your child born?', 'session' => 'Mornings, afternoons or full days?'])->says('the sixteenth of November 2025', $said);

        self::assertSame($born, $call->value('born'), $call->heard());
        self::assertNull($call->value('session'), 'a day alone is no full day');
    }

    /** What can be keyed is to be keyed, what can be spelled to be spelled, and a day is only asked for again. */
    #[TestWith(['phone', 'key it in'])]
    #[TestWith(['email', 'letter by letter'])]
    #[TestWith(['date', 'of it once more'])]
    public function testAnotherWayIsOfferedAfterTwoFailures(string $format, string $way): void
    {
        $heard = $this->asking(['type' => 'string', 'format' => $format, 'title' => 'Asked'], 'What of it once more?')->says('blah blah the thing', 'well it is')->heard();

        self::assertStringContainsString($way, $heard);
        self::assertSame($format === 'phone', str_contains($heard, 'key it in'));
    }
}
