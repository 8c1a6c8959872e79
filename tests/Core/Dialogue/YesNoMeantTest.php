<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** A reply that only means yes or no is put back in words the caller can simply confirm. */
final class YesNoMeantTest extends TestCase
{
    public function testAMeaningIsPutBackAndConfirmed(): void
    {
        $call = $this->call()->says('this would be my first time');
        self::assertSame(Mode::Confirm, $call->state->mode);
        self::assertStringContainsString('a no: you have not been with us before. Is that right?', $call->heard());
        $call->says('yes');
        self::assertFalse($call->value('before'));
        self::assertSame('pets', $call->state->step);
    }

    public function testANoToTheReadBackTurnsIt(): void
    {
        $call = $this->call()->says('this would be my first time', "no, that's wrong");
        self::assertTrue($call->value('before'));
        self::assertSame('pets', $call->state->step);
    }

    public function testAPlainYesOrNoIsTakenAtOnce(): void
    {
        foreach (['yes' => true, 'no' => false, 'yes I have' => true, 'no never' => false] as $said => $value) {
            $call = $this->call()->says($said);
            self::assertSame($value, $call->value('before'), $said);
            self::assertSame('pets', $call->state->step, $said);
        }
    }

    public function testWhatMeansNeitherIsAskedAgain(): void
    {
        $call = $this->call()->says("I'd have to ask my wife about that");
        self::assertNull($call->value('before'));
        self::assertSame(Mode::Answer, $call->state->mode);
    }

    private function call(): Conversation
    {
        return Conversation::with([
            'agent' => ['name' => 'Fern', 'business' => 'Marlow Lodge'],
            'sheet' => ['type' => 'object', 'properties' => ['before' => ['type' => 'boolean', 'title' => 'Been before'], 'pets' => ['type' => 'boolean', 'title' => 'Pets']]],
            'first' => 'before',
            'steps' => [
                ['key' => 'before', 'kind' => 'ask', 'field' => 'before', 'prompt' => 'Thank you for calling. Have you been with us before?', 'next' => 'pets'],
                ['key' => 'pets', 'kind' => 'ask', 'field' => 'pets', 'prompt' => 'Do you have any pets with you?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ]);
    }
}
