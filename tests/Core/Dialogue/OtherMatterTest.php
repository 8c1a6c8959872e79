<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Callers who were put into the wrong matter, or change their mind in the middle of one, and say what they want instead. */
final class OtherMatterTest extends TestCase
{
    #[TestWith(['oh sorry, I want to book a viewing for a flat'])]
    #[TestWith(["hang on, it's about a viewing I'd like to book"])]
    #[TestWith(["I don't have one, I'd like to book a viewing please"])]
    public function testAnotherMatterThatIsWishedForIsTakenUp(string $said): void
    {
        $call = self::call()->says('I need a repair in my kitchen', $said);

        self::assertSame('viewing', $call->state->topic, $call->heard());
        self::assertStringContainsString('Which flat', (string) end($call->spoken));
    }

    #[TestWith(['A B one two three four, and I want to book a viewing as well'])]
    #[TestWith(['A B one two three four. I need a repair'])]
    public function testWhatAnswersIsAnAnswer(string $said): void
    {
        $call = self::call()->says('I need a repair in my kitchen', $said);

        self::assertSame('repair', $call->state->topic, $call->heard());
        self::assertSame('AB1234', $call->value('reference'), $call->heard());
    }

    #[TestWith(['I want to tell you about the repair'])]
    #[TestWith(['I want to'])]
    #[TestWith(["it's on the letter somewhere"])]
    #[TestWith(['I need to find my glasses'])]
    public function testNothingElseLeadsAway(string $said): void
    {
        $call = self::call()->says('I need a repair in my kitchen', $said);

        self::assertSame('repair', $call->state->topic, $call->heard());
    }

    /** 'No, I want to hire one' shares a word with 'a machine you have on hire'. */
    public function testAMatterThatIsNoneOfThoseAskedAboutAndIsNamed(): void
    {
        $call = Conversation::withMaren()->says("I'd like to extend my hire please");
        self::assertSame(['my_hire', 'extend'], $call->state->candidates);

        self::assertSame('reserve', $call->says("no I don't have one, I want to hire a generator")->state->topic, $call->heard());
        self::assertSame('generator', $call->value('equipment'));
    }

    private static function call(): Conversation
    {
        return Conversation::with([
            'agent' => ['name' => 'Orla', 'business' => 'Copperfield Lets'],
            'first' => 'help',
            'steps' => [
                ['key' => 'help', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [
                    ['key' => 'repair', 'label' => 'a repair', 'description' => 'something in the home is broken', 'next' => 'reference'],
                    ['key' => 'viewing', 'label' => 'a viewing', 'description' => 'seeing a flat that is to let', 'next' => 'flat'],
                ]],
                ['key' => 'reference', 'kind' => 'ask', 'field' => 'reference', 'prompt' => 'What is your tenancy reference?', 'next' => 'bye'],
                ['key' => 'flat', 'kind' => 'ask', 'field' => 'flat', 'prompt' => 'Which flat is it?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
            'sheet' => ['type' => 'object', 'properties' => ['reference' => ['type' => 'string', 'format' => 'reference', 'title' => 'Tenancy reference', 'pattern' => '^[A-Z]{2}\d{4}$'], 'flat' => ['type' => 'string', 'title' => 'Flat']]],
        ]);
    }
}
