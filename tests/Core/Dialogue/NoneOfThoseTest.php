<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Callers who want none of the topics they were asked about. */
final class NoneOfThoseTest extends TestCase
{
    #[TestWith(['no'])]
    #[TestWith(['neither of those'])]
    #[TestWith(['none of them'])]
    #[TestWith(['something different'])]
    public function testTheOthersAreAskedAboutNext(string $no): void
    {
        $call = self::asked();
        $first = $call->state->candidates;
        $call->says($no);

        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());
        self::assertNotSame([], $call->state->candidates);
        self::assertSame([], array_intersect($first, $call->state->candidates), 'nothing refused is offered again');
        self::assertFalse($call->state->ended);
    }

    public function testAfterThoseTheMatterIsAskedForInOtherWords(): void
    {
        $call = self::asked()->says('no', 'no');

        self::assertSame(Mode::Answer, $call->state->mode);
        self::assertSame(1, $call->state->failures);
        self::assertStringContainsString('about', (string) end($call->spoken));
        self::assertSame('gas', $call->says('I can smell gas in the hall')->state->topic);
    }

    public function testWhoGoesOnRefusingTakesTheWayOut(): void
    {
        $call = self::asked()->says('no', 'no', 'well', 'no idea really', 'hm');

        self::assertTrue($call->state->ended, $call->heard());
    }

    public function testWhatIsToldBesideTheNoDecides(): void
    {
        self::assertSame('job', self::asked()->says('no the radiators are stone cold')->state->topic);
    }

    public function testANoAfterSomethingWasDoneEndsTheCall(): void
    {
        $call = self::asked()->says('an invoice', 'it was charged twice', 'Ada Frost', 'how soon will that be looked at then');
        self::assertNotNull($call->state->outcome, $call->heard());

        self::assertTrue($call->says('no')->state->ended, $call->heard());
    }

    public function testWhatTakesTheRestIsNamedLastAndEnteredWhereNothingElseIsMeant(): void
    {
        $script = self::document();
        array_unshift($script['steps'][0]['topics'], ['key' => 'rest', 'label' => 'something else', 'description' => 'anything else', 'phrases' => [], 'next' => 'message']);
        $call = Conversation::with($script)->says("I've had a letter from you lot");
        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());
        if (in_array('rest', $call->state->candidates, true)) {
            self::assertSame('rest', $call->state->candidates[count($call->state->candidates) - 1]);
        }

        self::assertSame('rest', $call->says('no', 'neither')->state->topic, $call->heard());
    }

    public function testNobodyIsAskedWhetherThereIsAnythingElseBeforeAnythingWasDone(): void
    {
        $call = Conversation::with(self::document())->says('hello');

        self::assertStringNotContainsString('Anything else', $call->heard());
        self::assertStringContainsString('How can I help?', (string) end($call->spoken));
    }

    private static function asked(): Conversation
    {
        $call = Conversation::with(self::document())->says("I've had a letter from you lot");
        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());

        return $call;
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/calls/heating.json'), true, 64, JSON_THROW_ON_ERROR);
        $document['steps'][0]['topics'][] = ['key' => 'cover', 'label' => 'a service plan', 'description' => 'cover plan, monthly plan, renewal', 'phrases' => ['service plan'], 'next' => 'message'];
        $document['steps'][0]['topics'][] = ['key' => 'parts', 'label' => 'spare parts', 'description' => 'buy a part, order a valve', 'phrases' => ['spare part'], 'next' => 'message'];

        return $document;
    }
}
