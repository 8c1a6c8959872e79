<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The same engine with another trade's script: nothing in it is fitted to the demonstration. */
final class OtherTradeTest extends TestCase
{
    /**
     * @param list<string> $lines
     * @param array<string, mixed> $expected
     */
    #[DataProvider('calls')]
    public function testHoldsACall(array $lines, array $expected, ?string $outcome): void
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/fixtures/vets.json'), true, 32, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document, from: null);
        foreach ($lines as $line) {
            $call->says($line);
        }
        $values = array_map(static fn ($held): mixed => $held->value, $call->state->values);
        ksort($values);
        ksort($expected);

        self::assertSame($expected, $values, implode("\n", $call->spoken));
        self::assertSame($outcome, $call->state->outcome);
    }

    /** @return iterable<string, array{list<string>, array<string, mixed>, ?string}> */
    public static function calls(): iterable
    {
        yield 'a talkative owner' => [
            ['hiya, can I get my dog in to see the vet on Thursday at about half ten', "he's called Biscuit", "he's been limping since the weekend, won't put weight on his back leg", 'about twelve kilos I think', "no he isn't", 'Rosa Lindqvist, that\'s L I N D Q V I S T', 'rosa dot lindqvist at example dot com', 'yeah', 'is there parking?', "no that's all thanks"],
            ['species' => 'dog', 'when' => '2026-03-12T10:30', 'pet' => 'Biscuit', 'reason' => "he's been limping since the weekend, won't put weight on his back leg", 'weight' => 12, 'insured' => false, 'owner' => 'Rosa Lindqvist', 'email' => 'rosa.lindqvist@example.com'],
            'booked',
        ];
        yield 'doubts, a correction and a refusal' => [
            ['I need more tablets for my cat', 'Mabel', 'she needs her thyroid tablets', 'four and a half', "oh I don't know, Friday morning?", 'Friday at nine', 'sorry did you say Friday? I meant Saturday', 'she is yes', "it's Hugh", "no it's Hugh Tolland", "I don't have email", 'no'],
            ['pet' => 'Mabel', 'reason' => 'she needs her thyroid tablets', 'weight' => 4.5, 'when' => '2026-03-14T09:00', 'insured' => true, 'owner' => 'Hugh Tolland'],
            'booked',
        ];
        yield 'urgent at once' => [
            ["my puppy's been hit by a car!", 'Kit Marlow'],
            ['owner' => 'Kit Marlow'],
            'finished',
        ];
        yield 'alternatives, a why, an address mended' => [
            ['an appointment please', 'a bunny', 'how much is a consultation by the way', 'Thumper', 'just his jabs', 'not a clue sorry', 'tomorrow at two or three', 'tomorrow at two', 'yes', 'what do you need that for', 'Emre Aydin', 'e dot aydin at example dot com', "no, it's e underscore aydin", 'no thanks'],
            ['species' => 'rabbit', 'pet' => 'Thumper', 'reason' => 'his jabs', 'when' => '2026-03-11T14:00', 'insured' => true, 'owner' => 'Emre Aydin', 'email' => 'e_aydin@example.com'],
            'booked',
        ];
    }
}
