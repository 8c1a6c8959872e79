<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Advice\Advisers;
use Ringo\Advice\Doubt;
use Ringo\Advice\KeptAdvice;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;
use Ringo\Dialogue\Actions\Advise;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Dialogue\Trace;
use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Knowledge\Library;
use Ringo\Language\Vocabulary;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\ScriptReader;

/** A second opinion in a call: asked for where Ringo is unsure, never spoken, and nothing is lost where none comes. */
final class AdviceTest extends TestCase
{
    /** Words that are near two topics and clearly none. */
    private const UNSURE = 'it is about the bill for the repair of my car';

    public function testWithoutAnAdviserNothingIsAsked(): void
    {
        $out = $this->said(Engine::for((new ScriptReader)->fromArray($this->garage())), self::UNSURE);

        self::assertSame([], $this->asked($out));
        self::assertSame(Mode::Clarify, $out->state->mode);
    }

    public function testATopicIsAskedAboutAndTheChoiceIsGoneInto(): void
    {
        $engine = $this->engine(Purpose::Topic);
        $out = $this->said($engine, self::UNSURE);
        $asks = $this->asked($out)[0];

        self::assertSame('', $out->spoken(), 'nothing is said before the opinion is there');
        self::assertSame([Purpose::Topic, self::UNSURE], [$asks->doubt->purpose, $asks->doubt->said]);
        self::assertArrayHasKey('accounts', $asks->doubt->choices);

        $after = $engine->step($out->state, Event::advised($asks->id, new Opinion(Opinion::TAKEN, 'accounts'), 0.4, 9.0));
        self::assertSame(['accounts'], $after->state->tags);
        self::assertSame(1, $after->state->heard, 'the words count once');
        self::assertStringContainsString('by the adviser, from “'.self::UNSURE.'”', implode(' ', $after->trace->rules));
        self::assertNull($after->state->advising);
    }

    public function testWithoutAUsableOpinionTheCallGoesOnAsEver(): void
    {
        $engine = $this->engine(Purpose::Topic);
        $alone = $this->said(Engine::for($engine->script), self::UNSURE);
        $asked = $this->said($engine, self::UNSURE);
        $id = $this->asked($asked)[0]->id;
        foreach ([Opinion::slow(0.9), Opinion::failed('cut off'), new Opinion(Opinion::NONE), new Opinion(Opinion::THROWN_AWAY, '', 'nonsense'), new Opinion(Opinion::TAKEN, 'a topic there is not'), new Opinion(Opinion::TAKEN, 'none')] as $opinion) {
            $after = $engine->step($asked->state, Event::advised($id, $opinion, 0.9, 9.0));
            self::assertSame([$alone->spoken(), Mode::Clarify], [$after->spoken(), $after->state->mode]);
        }
        // An answer to something else decides nothing either.
        self::assertSame($alone->spoken(), $engine->step($asked->state, Event::advised('a99', new Opinion(Opinion::TAKEN, 'accounts'), 0.1, 9.0))->spoken());
    }

    public function testWhateverComesInsteadNothingIsLost(): void
    {
        $engine = $this->engine(Purpose::Topic);
        $asked = $this->said($engine, self::UNSURE);
        $hung = $engine->step($asked->state, Event::hungUp(9.0));
        self::assertTrue($hung->state->ended);
        self::assertSame(1, $hung->state->heard);

        $more = $engine->step($asked->state, Event::said('the office please', 9.0));
        self::assertSame(['accounts'], $more->state->tags, 'the question that would have been put is answered');
        $late = $engine->step($more->state, Event::advised('a1', new Opinion(Opinion::TAKEN, 'repairs'), 2.0, 10.0));
        self::assertSame(['accounts'], $late->state->tags);
        self::assertSame([], $late->actions);
    }

    public function testYesAndNoByMeaningAreTakenWithoutReadingBack(): void
    {
        $engine = $this->engine(Purpose::YesNo);
        $state = $this->said($engine, 'test drives please')->state;
        self::assertSame('sales', $state->topic);
        $out = $engine->step($state, Event::said('this would be my first time with you', 14.0));
        $asks = $this->asked($out);
        self::assertSame([Purpose::YesNo], array_map(static fn (Advise $one): Purpose => $one->doubt->purpose, $asks));
        $after = $engine->step($out->state, Event::advised($asks[0]->id, new Opinion(Opinion::TAKEN, 'no'), 0.3, 15.0));
        self::assertFalse($after->state->values['been_before']->value);
        self::assertSame(Mode::Answer, $after->state->mode, 'not read back');
        $alone = $engine->step($out->state, Event::advised($asks[0]->id, Opinion::slow(0.9), 0.9, 15.0));
        self::assertSame(Mode::Confirm, $alone->state->mode);
    }

    public function testAnAnswerIsTheSentenceAsItStands(): void
    {
        $documents = [(new Library)->read('terms.md', "# Deposits\n\nThe deposit for a courtesy car is £150. The deposit for a trailer is £80.\n\n# Storage\n\nCars left longer than a week cost £12 a day.")];
        $knowledge = new CallKnowledge(Answerer::over($documents), Vocabulary::of(), static fn (): string => '');
        $engine = Engine::for((new ScriptReader)->fromArray($this->garage()), knowledge: $knowledge, advice: [Purpose::Answer]);
        $out = $this->said($engine, 'what about the weekend?');
        $asks = $this->asked($out);
        self::assertNotSame([], $asks, $out->spoken());
        $key = array_key_first(array_filter($asks[0]->doubt->choices, static fn (string $one): bool => str_contains($one, 'The deposit for a')));
        self::assertIsString($key);
        $after = $engine->step($out->state, Event::advised($asks[0]->id, new Opinion(Opinion::TAKEN, $key), 0.3, 12.0));
        self::assertMatchesRegularExpression('/The deposit for a (?:courtesy car|trailer) is/', $after->spoken());
        self::assertSame(['terms.md#Deposits'], $after->trace->sources);
    }

    public function testWhatIsKeptBackIsNeverSent(): void
    {
        $document = $this->garage();
        $document['sheet']['properties']['been_before']['x-sees'] = 'owner';
        $engine = Engine::for((new ScriptReader)->fromArray($document), advice: Purpose::cases());
        $state = $this->said($engine, 'test drives please')->state;
        self::assertSame([], $this->asked($engine->step($state, Event::said('this would be my first time with you', 14.0))));
        $out = $this->said($engine, 'it is about the car and 4000 1234 5678 9010');
        self::assertStringNotContainsString('5678', (string) json_encode($this->asked($out)[0]->toArray()));
    }

    public function testAKeptOpinionMakesTheSameCallForEver(): void
    {
        $engine = $this->engine(Purpose::Topic);
        $doubt = $this->asked($this->said($engine, self::UNSURE))[0]->doubt;
        $asked = 0;
        $live = new class ($asked) implements Advisers {
            public function __construct(private int &$asked)
            {
            }

            public function opinion(Doubt $doubt): array
            {
                $this->asked++;

                return [new Opinion(Opinion::TAKEN, 'accounts'), 0.4];
            }
        };
        $first = $this->rings($engine, $live);
        $again = $this->rings($engine, new KeptAdvice([$doubt->key() => ['choice' => 'accounts', 'seconds' => 0.4]]));
        self::assertSame(1, $asked);
        self::assertEquals($first->transcript, $again->transcript);
        self::assertSame(['agent', 'caller', 'agent'], array_slice(array_column($first->transcript->turns, 'by'), 0, 3), 'the words stand there once');
        self::assertNotEquals($first->transcript, $this->rings($engine, new KeptAdvice([]))->transcript);
        self::assertSame(array_column(array_map(static fn (Trace $one): array => $one->toArray(), $first->traces), 'rules'), array_column(array_map(static fn (Trace $one): array => $one->toArray(), $again->traces), 'rules'));
    }

    private function rings(Engine $engine, Advisers $advisers): FinishedCall
    {
        return (new Rehearsal($engine, advisers: $advisers))->run($this->state($engine), [new Input('say', self::UNSURE)]);
    }

    private function state(Engine $engine): CallState
    {
        return (new Opening($engine->script))->state('test', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900123', null, ['known' => false]);
    }

    private function said(Engine $engine, string $words): Outcome
    {
        return $engine->step($engine->step($this->state($engine), Event::started())->state, Event::said($words, 8.0));
    }

    private function engine(Purpose ...$about): Engine
    {
        return Engine::for((new ScriptReader)->fromArray($this->garage()), advice: array_values($about));
    }

    /** @return list<Advise> */
    private function asked(Outcome $out): array
    {
        return array_values(array_filter($out->actions, static fn (object $action): bool => $action instanceof Advise));
    }

    /** @return array<string, mixed> */
    private function garage(): array
    {
        return [
            'agent' => ['name' => 'Fern', 'business' => 'Marlow Motors'],
            'sheet' => ['type' => 'object', 'properties' => ['been_before' => ['type' => 'boolean', 'title' => 'Been before'], 'note' => ['type' => 'string']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [
                    ['key' => 'repairs', 'label' => 'the workshop', 'description' => 'repair of cars that have broken down, servicing and mending', 'next' => 'to_repairs'],
                    ['key' => 'sales', 'label' => 'the showroom', 'description' => 'new and used cars to buy, test drives, part exchange', 'next' => 'before'],
                    ['key' => 'accounts', 'label' => 'the office', 'description' => 'the bill, payments and refunds', 'next' => 'to_accounts'],
                ]],
                ['key' => 'before', 'kind' => 'ask', 'field' => 'been_before', 'prompt' => 'Have you been with us before?', 'next' => 'last'],
                ['key' => 'to_repairs', 'kind' => 'note', 'tag' => 'repairs', 'next' => 'last'],
                ['key' => 'to_accounts', 'kind' => 'note', 'tag' => 'accounts', 'next' => 'last'],
                ['key' => 'last', 'kind' => 'ask', 'field' => 'note', 'prompt' => 'Anything to pass on?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => 'done'],
            ],
        ];
    }
}
