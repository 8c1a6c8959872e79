<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What callers mean where no word of the script stands in what they say, and what they do in words nobody wrote down. */
final class MeantTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function meant(): iterable
    {
        yield 'a fault' => ['my motor is making a horrible grinding noise', 'repairs'];
        yield 'money' => ['I think I was overcharged on my invoice', 'accounts'];
        yield 'a purchase' => ['we are thinking of buying something bigger for the family', 'sales'];
    }

    #[DataProvider('meant')]
    public function testAMatterInOtherWordsIsTakenOrAskedAbout(string $said, string $topic): void
    {
        $call = $this->call()->says($said);
        $asked = $call->state->mode === Mode::Clarify ? $call->state->candidates : [];
        self::assertTrue(in_array($topic, $call->state->tags, true) || in_array($topic, $asked, true), $call->heard());
    }

    /** @return iterable<array{string}> */
    public static function chat(): iterable
    {
        yield ['lovely weather we are having'];
        yield ['my grandson has just learnt to swim'];
        yield ['goodbye then'];
    }

    #[DataProvider('chat')]
    public function testChatIsTakenForNoMatter(string $said): void
    {
        self::assertSame([], $this->call()->says($said)->state->tags);
    }

    public function testTheTraceSaysHowLikelyWhatWasTakenIs(): void
    {
        $call = $this->call()->says('my motor is making a horrible grinding noise');
        self::assertMatchesRegularExpression('/repairs is meant to \d+ %|topic repairs/', json_encode($call->last->trace->toArray(), JSON_THROW_ON_ERROR));
    }

    private function call(): Conversation
    {
        return Conversation::with([
            'agent' => ['name' => 'Fern', 'business' => 'Marlow Motors'],
            'sheet' => ['type' => 'object', 'properties' => ['note' => ['type' => 'string']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [
                    ['key' => 'repairs', 'label' => 'the workshop', 'description' => 'cars that have broken down, strange sounds, servicing and mending', 'next' => 'to_repairs'],
                    ['key' => 'sales', 'label' => 'the showroom', 'description' => 'new and used cars for sale, test drives, part exchange', 'next' => 'to_sales'],
                    ['key' => 'accounts', 'label' => 'the office', 'description' => 'bills, payments and refunds', 'next' => 'to_accounts'],
                ]],
                ...array_map(static fn (string $key): array => ['key' => 'to_'.$key, 'kind' => 'note', 'tag' => $key, 'next' => 'bye'], ['repairs', 'sales', 'accounts']),
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ]);
    }
}
