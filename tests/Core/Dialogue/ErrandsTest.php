<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Errand\ErrandFile;
use Ringo\Errand\Reply;
use Ringo\Extraction\OwnCall;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Speech\Display;

/** Errands in a call: asked for, waited for, answered, chosen among, done once. */
final class ErrandsTest extends TestCase
{
    private const ROW = ['item' => 'a mini digger', 'site' => 'Mill Lane', 'due' => '2026-03-20'];

    public function test_what_is_found_is_spoken_kept_and_has_its_evidence(): void
    {
        $call = $this->call([['hires' => [self::ROW]]], 'P H one');
        self::assertStringContainsString('That is a mini digger at Mill Lane, until Friday the twentieth of March.', $this->said($call));
        $record = (new OwnCall(self::script(), new Display(Vocabulary::of(), new NumberingPlan)))->record($call->state, $call->transcript);
        self::assertSame('2026-03-20', $record->cells['due']['value']);
        self::assertSame(['looked_up', 'from the yard system, at 09:14'], [$record->cells['due']['origin'], $record->cells['due']['said']]);
        self::assertSame('found', $call->state->looked['hire']['status']);
    }

    public function test_each_way_it_may_come_leads_somewhere(): void
    {
        self::assertStringContainsString('There is no such hire.', $this->said($this->call([['hires' => []]], 'P H one')));
        self::assertStringContainsString('I cannot see that now.', $this->said($this->call(['failed' => 'cut off'], 'P H one')));
        self::assertStringContainsString('The yard is slow today.', $this->said($this->call([['hires' => [self::ROW]], 'seconds' => 9], 'P H one')));
        self::assertStringContainsString('I cannot see that now.', $this->said((new Rehearsal(Engine::for(self::script())))->run($this->state(), [new Input('say', 'P H one')])), 'without anybody to ask');
    }

    public function test_of_several_the_caller_says_which_by_what_tells_them_apart(): void
    {
        $rows = [self::ROW, ['item' => 'a mini digger', 'site' => 'Station Road', 'due' => '2026-03-21'], ['item' => 'a breaker', 'site' => 'Station Road', 'due' => '2026-03-23']];
        $call = $this->call([['hires' => $rows]], 'P H one', 'the station road one', 'the one due on the 23rd');
        self::assertStringContainsString('the one for Mill Lane or the one for Station Road', $this->said($call));
        self::assertStringContainsString('That is a breaker at Station Road', $this->said($call));
        $key = $this->call([['hires' => [$rows[0], $rows[2]]]], 'P H one');
        self::assertStringNotContainsString('That is', $this->said($key));
        $chosen = (new Rehearsal($this->engine(), $this->file([['hires' => [$rows[0], $rows[2]]]])))->run($this->state(), [new Input('say', 'P H one'), new Input('key', '2')]);
        self::assertStringContainsString('That is a breaker', $this->said($chosen));
        // Twice asked is enough; what nobody can tell apart is not asked about.
        self::assertStringContainsString('Too many to say.', $this->said($this->call([['hires' => [self::ROW, self::ROW]]], 'P H one')));
        self::assertStringContainsString('Too many to say.', $this->said($this->call([['hires' => $rows]], 'P H one', 'no idea', 'hm no idea', 'I do not know')));
    }

    public function test_many_are_not_read_out(): void
    {
        $rows = array_map(static fn (int $n): array => ['item' => "machine {$n}", 'site' => "yard {$n}", 'due' => '2026-03-20'], range(1, 9));
        $call = $this->call([['hires' => $rows]], 'P H one', 'yard 7');
        self::assertStringContainsString('I have found 9 of them. What is site?', $this->said($call));
        self::assertStringContainsString('That is machine 7', $this->said($call));
    }

    public function test_under_a_second_and_a_half_nothing_is_said_and_then_one_phrase(): void
    {
        [$state, $out] = $this->sent();
        self::assertSame(Mode::LookingUp, $state->mode);
        self::assertSame('', $out->spoken());
        self::assertSame('', ($quick = $this->engine()->step($state, Event::errandWaits(11.0)))->spoken());
        $waits = $this->engine()->step($quick->state, Event::errandWaits(11.5));
        self::assertContains($waits->spoken(), ['I am just looking that up.', 'I am having a look.']);
        $soon = $this->engine()->step($waits->state, Event::errandWaits(15.0));
        self::assertSame('', $soon->spoken(), 'not again before six seconds');
        $later = $this->engine()->step($soon->state, Event::errandWaits(17.5));
        self::assertContains($later->spoken(), ['It is still coming, thank you for waiting.', 'It takes a little longer today.']);
        $back = $this->engine()->step($later->state, Event::errandReturned('e1', Reply::of([self::ROW]), 8.0, 18.0));
        self::assertStringStartsWith('That is a mini digger', $back->spoken());
        self::assertStringContainsString('found after 8.0 s', implode(' ', $back->trace->rules));
    }

    public function test_own_waiting_words_are_said_first(): void
    {
        $own = static fn (array $script): array => ['steps' => array_map(static fn (array $step): array => $step['kind'] === 'look_up' ? $step + ['waiting' => 'The yard is turning the pages.'] : $step, $script['steps'])] + $script;
        $engine = Engine::for((new ScriptReader)->fromArray($own(self::document())), errands: $this->file([])->errands);
        $state = $engine->step($engine->step($this->state(), Event::started())->state, Event::said('P H one', 10.0))->state;
        self::assertSame('The yard is turning the pages.', $engine->step($state, Event::errandWaits(11.6))->spoken());
    }

    public function test_nothing_said_meanwhile_is_lost(): void
    {
        [$state] = $this->sent();
        $meanwhile = $this->engine()->step($state, Event::said('it is for Dara Whitcombe by the way', 10.8));
        self::assertSame(Mode::LookingUp, $meanwhile->state->mode);
        $back = $this->engine()->step($meanwhile->state, Event::errandReturned('e1', Reply::of([self::ROW]), 1.2, 11.2));
        self::assertSame('Dara Whitcombe', $back->state->values['caller_name']->value ?? null);
        self::assertStringContainsString('Goodbye', $back->spoken(), 'the name is not asked for');
        // Small talk changes nothing: the question that follows is put as it is.
        $talk = $this->engine()->step($this->engine()->step($state, Event::said('take your time', 10.8))->state, Event::errandReturned('e1', Reply::of([self::ROW]), 1.2, 11.2));
        self::assertStringEndsWith('What is your name?', $talk->spoken());
        self::assertSame($this->engine()->step($state, Event::errandReturned('e1', Reply::of([self::ROW]), 1.2, 11.2))->spoken(), $talk->spoken());
    }

    public function test_whoever_leaves_meanwhile_is_let_go(): void
    {
        [$state] = $this->sent();
        self::assertTrue($this->engine()->step($state, Event::hungUp(11.0))->state->ended);
        self::assertTrue($this->engine()->step($state, Event::said('never mind, goodbye', 11.0))->state->ended);
        // Silence while one waits is nobody's fault.
        $quiet = $state;
        for ($n = 0; $n < 6; $n++) {
            $quiet = $this->engine()->step($quiet, Event::silence(6, 12.0 + $n))->state;
        }
        self::assertFalse($quiet->ended);
        self::assertSame(0, $quiet->silences);
    }

    public function test_an_answer_nobody_waits_for_is_left_aside(): void
    {
        [$state] = $this->sent();
        $other = $this->engine()->step($state, Event::errandReturned('e9', Reply::of([self::ROW]), 1.0, 11.0));
        self::assertSame(Mode::LookingUp, $other->state->mode);
        $back = $this->engine()->step($state, Event::errandReturned('e1', Reply::of([self::ROW]), 1.0, 11.0));
        $twice = $this->engine()->step($back->state, Event::errandReturned('e1', Reply::of([]), 1.0, 12.0));
        self::assertSame('', $twice->spoken());
        self::assertSame($back->state->step, $twice->state->step);
    }

    public function test_a_call_survives_in_the_middle_of_one(): void
    {
        [$state] = $this->sent();
        $again = CallState::fromArray(json_decode((string) json_encode($state->toArray()), true));
        $event = Event::fromArray(json_decode((string) json_encode(Event::errandReturned('e1', Reply::of([self::ROW]), 1.0, 11.0)->toArray()), true));
        self::assertSame(json_encode($this->engine()->step($state, $event)->state->toArray()), json_encode($this->engine()->step($again, $event)->state->toArray()));
    }

    public function test_the_same_is_asked_once_and_done_once_in_a_call(): void
    {
        $twice = self::document();
        $twice['steps'][2]['next'] = 'look_again';
        $twice['steps'][] = ['key' => 'look_again', 'kind' => 'look_up', 'errand' => 'hire', 'not_found' => 'none', 'failed' => 'away', 'next' => 'name'];
        foreach ([[], ['changes' => true, 'request' => ['method' => 'POST', 'url' => 'https://yard.pellbrook.example/hires/{number}']]] as $as) {
            $file = $this->file([['hires' => [self::ROW]]], $as);
            $engine = Engine::for((new ScriptReader)->fromArray($twice), errands: $file->errands);
            $asked = 0;
            (new Rehearsal($engine, $file))->run($this->state(), [new Input('say', 'P H one')], static function (Event $event, Outcome $outcome) use (&$asked): void {
                $asked += count(array_filter($outcome->actions, static fn (object $action): bool => $action instanceof LookUp));
            });
            self::assertSame(1, $asked);
        }
        $fresh = $this->file([['hires' => [self::ROW]]], ['keeps' => false]);
        $asked = 0;
        (new Rehearsal(Engine::for((new ScriptReader)->fromArray($twice), errands: $fresh->errands), $fresh))->run($this->state(), [new Input('say', 'P H one')], static function (Event $event, Outcome $outcome) use (&$asked): void {
            $asked += count(array_filter($outcome->actions, static fn (object $action): bool => $action instanceof LookUp));
        });
        self::assertSame(2, $asked, 'what changes by the minute is asked anew');
    }

    public function test_conditions_and_messages_may_look_at_what_was_found(): void
    {
        $document = self::document();
        $document['steps'][1]['next'] = 'which';
        $document['steps'][] = ['key' => 'which', 'kind' => 'branch', 'ways' => [['when' => ['all' => [['value' => 'hire.site', 'is' => 'Mill Lane'], ['value' => 'hire.status', 'is' => 'found']]], 'next' => 'text']], 'otherwise' => 'none'];
        $document['steps'][] = ['key' => 'text', 'kind' => 'send', 'by' => 'text', 'to' => '07700 900123', 'words' => 'Due back: [hire.due]', 'next' => 'bye'];
        $file = $this->file([['hires' => [self::ROW]]]);
        $call = (new Rehearsal(Engine::for((new ScriptReader)->fromArray($document), errands: $file->errands), $file))->run($this->state(), [new Input('say', 'P H one')]);
        self::assertSame('Due back: Friday 20 March 2026', $call->state->sent[0]['text'] ?? null);
    }

    /** @return array{CallState, Outcome} a call that waits for the yard since the tenth second */
    private function sent(): array
    {
        $out = $this->engine()->step($this->engine()->step($this->state(), Event::started())->state, Event::said('P H one', 10.0));

        return [$out->state, $out];
    }

    /** @param array<array-key, mixed> $answer its first element is the answer itself */
    private function call(array $answer, string ...$said): FinishedCall
    {
        return (new Rehearsal($this->engine(), $this->file($answer)))->run($this->state(), array_map(static fn (string $words): Input => new Input('say', $words), array_values($said)));
    }

    private function said(FinishedCall $call): string
    {
        return implode(' ', array_map(static fn (\Ringo\Transcript\Turn $turn): string => $turn->by === 'agent' ? $turn->text : '', $call->transcript->turns));
    }

    private function engine(): Engine
    {
        return Engine::for(self::script(), errands: $this->file([])->errands);
    }

    /**
     * @param array<array-key, mixed> $answer
     * @param array<string, mixed> $as
     */
    private function file(array $answer, array $as = []): ErrandFile
    {
        $kept = isset($answer[0]) ? ['answer' => $answer[0]] : [];

        return ErrandFile::fromArray(['errands' => [$as + [
            'key' => 'hire', 'system' => 'the yard system', 'request' => ['url' => 'https://yard.pellbrook.example/hires/{number}'], 'parameters' => [['key' => 'number', 'label' => 'the hire number', 'type' => 'reference', 'from' => 'hire_number']],
            'answer' => ['list' => 'hires', 'values' => [['key' => 'item'], ['key' => 'site'], ['key' => 'due', 'type' => 'date']], 'apart' => ['site', 'due']],
        ]], 'answers' => $answer === [] ? [] : ['hire' => [$kept + array_diff_key($answer, [0 => 1])]]]);
    }

    private static function script(): Script
    {
        return (new ScriptReader)->fromArray(self::document());
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        return [
            'agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire'], 'first' => 'greet',
            'sheet' => ['type' => 'object', 'properties' => ['hire_number' => ['type' => 'string', 'format' => 'reference', 'title' => 'Hire number'], 'due' => ['type' => 'string', 'format' => 'date', 'title' => 'Due'], 'caller_name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name']]],
            'steps' => [
                ['key' => 'greet', 'kind' => 'say', 'prompt' => 'Pellbrook Hire.', 'next' => 'look'],
                ['key' => 'look', 'kind' => 'look_up', 'errand' => 'hire', 'keep' => ['due' => 'due'], 'not_found' => 'none', 'several' => 'many', 'failed' => 'away', 'slow' => 'slow', 'next' => 'tell'],
                ['key' => 'tell', 'kind' => 'say', 'prompt' => 'That is [hire.item] at [hire.site], until [due].', 'next' => 'name'],
                ['key' => 'name', 'kind' => 'ask', 'field' => 'caller_name', 'prompt' => 'What is your name?', 'next' => 'bye'],
                ['key' => 'none', 'kind' => 'say', 'prompt' => 'There is no such hire.', 'next' => 'bye'],
                ['key' => 'many', 'kind' => 'say', 'prompt' => 'Too many to say.', 'next' => 'bye'],
                ['key' => 'away', 'kind' => 'say', 'prompt' => 'I cannot see that now.', 'next' => 'bye'],
                ['key' => 'slow', 'kind' => 'say', 'prompt' => 'The yard is slow today.', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ];
    }

    private function state(): CallState
    {
        return (new Opening(self::script()))->state('call', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', '+447700900123', null, ['known' => false]);
    }
}
