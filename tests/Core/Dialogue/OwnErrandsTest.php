<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\ErrandFile;
use Ringo\Inspection\Inspector;
use Ringo\Inspection\Surroundings;
use Ringo\Script\ScriptReader;

/** Errands a call sends without waiting: an alarm the moment its condition holds, a note when the call is over; each once. */
final class OwnErrandsTest extends TestCase
{
    public function testAnAlarmGoesTheMomentItsConditionHoldsAndTheCallGoesOn(): void
    {
        $engine = $this->engine();
        $out = $this->says($engine, $this->begun($engine), 'yes');
        self::assertSame([['raise', ['number' => '+447700900123'], false]], $this->sent($out));
        self::assertStringContainsString('Where are you?', $out->spoken());
        self::assertStringContainsString('alarm: runs raise, and goes on', implode(' ', $out->trace->rules));
        $next = $engine->step($out->state, Event::said('14 Mill Lane', 20.0));
        self::assertSame([['note', ['site' => '14 Mill Lane']]], array_map(static fn (array $one): array => [$one[0], $one[1]], $this->sent($next)), 'not a second time; the call is over, and the note goes');
        self::assertTrue($next->state->ended);
    }

    public function testWithoutItsConditionItDoesNotGo(): void
    {
        $engine = $this->engine();
        self::assertSame([], $this->sent($this->says($engine, $this->begun($engine), 'no')));
    }

    public function testWhatIsNotKnownIsWaitedForAndToldWhenItIsTooLate(): void
    {
        $engine = $this->engine();
        $out = $this->says($engine, $this->begun($engine, null), 'yes');
        self::assertSame([], $this->sent($out), 'nobody to ring back is known');
        $hung = $engine->step($out->state, Event::hungUp(20.0));
        self::assertSame([], $this->sent($hung));
        self::assertStringContainsString('alarm: not run, number is not known', implode(' ', $hung->trace->rules));
        self::assertStringContainsString('after: not run, site is not known', implode(' ', $hung->trace->rules));
    }

    public function testAHangUpIsAnEndToo(): void
    {
        $engine = $this->engine(['errands' => [['key' => 'after', 'errand' => 'raise', 'moment' => 'end', 'when' => ['value' => 'outcome', 'is' => 'caller hung up']]]]);
        $hung = $engine->step($this->begun($engine), Event::hungUp(9.0));
        self::assertSame('raise', $this->sent($hung)[0][0]);
        self::assertSame([], $this->sent($engine->step($hung->state, Event::hungUp(10.0))));
    }

    public function testWhatCannotBeRunIsFound(): void
    {
        try {
            (new ScriptReader)->fromArray(self::script(['errands' => [['key' => 'A b', 'errand' => 'raise', 'moment' => 'now'], ['key' => 'a', 'errand' => 'raise', 'moment' => 'at_once'], ['key' => 'a', 'errand' => 'raise', 'moment' => 'end', 'x' => 1]]]));
            self::fail('This is no script.');
        } catch (InvalidDocument $problem) {
            $told = implode(' ', array_map(static fn (array $one): string => $one['path'].' '.$one['message'], $problem->problems));
            foreach (['errands[0].key “A b” is no key', 'errands[0].moment', 'errands[1].when an errand that is run at once needs a condition', 'errands[2].key “a” stands twice', 'errands[2].x'] as $words) {
                self::assertStringContainsString($words, $told);
            }
        }
        $document = ScriptDocument::fromArray(self::script(['errands' => [['key' => 'a', 'errand' => 'nowhere', 'moment' => 'end'], ['key' => 'b', 'errand' => 'raise', 'moment' => 'end'], ['key' => 'c', 'errand' => 'raise', 'moment' => 'end']]]));
        $found = array_map(static fn ($one): string => $one->rule, (new Inspector)->inspect($document, new Surroundings(errands: self::errands())));
        self::assertContains('no_such_errand', $found);
        self::assertContains('changes_twice', $found);
    }

    public function testAFieldThatGetsAnotherNameTakesItsConditionAlong(): void
    {
        $renamed = ScriptDocument::fromArray(self::script())->withFieldRenamed('danger', 'hurt');
        self::assertSame('hurt', $renamed->toArray()['errands'][0]['when']['value']);
    }

    private function begun(Engine $engine, ?string $from = '+447700900123'): CallState
    {
        $state = (new Opening($engine->script))->state('test', new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', $from, null, ['known' => false]);

        return $engine->step($state, Event::started())->state;
    }

    private function says(Engine $engine, CallState $state, string $words): Outcome
    {
        return $engine->step($state, Event::said($words, 8.0));
    }

    /** @return list<array{string, array<string, mixed>, bool}> */
    private function sent(Outcome $out): array
    {
        return array_values(array_map(static fn (LookUp $one): array => [$one->errand, $one->values, $one->waits], array_filter($out->actions, static fn (object $one): bool => $one instanceof LookUp)));
    }

    /** @param array<string, mixed> $changes */
    private function engine(array $changes = []): Engine
    {
        return Engine::for((new ScriptReader)->fromArray(self::script($changes)), errands: self::errands());
    }

    private static function errands(): \Ringo\Errand\Errands
    {
        $errand = static fn (string $key, string $parameter, string $from): array => ['key' => $key, 'label' => ucfirst($key), 'system' => 'the yard', 'reach' => 'request', 'request' => ['method' => 'POST', 'url' => 'https://yard.pellbrook.example/'.$key, 'body' => [$parameter => '{'.$parameter.'}']], 'parameters' => [['key' => $parameter, 'type' => 'text', 'from' => $from]], 'answer' => ['values' => []], 'changes' => true];

        return ErrandFile::fromArray(['errands' => [$errand('raise', 'number', 'caller.number'), $errand('note', 'site', 'site')]])->errands;
    }

    /**
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function script(array $changes = []): array
    {
        return [...[
            'agent' => ['name' => 'Fern', 'business' => 'Marlow Motors'],
            'errands' => [['key' => 'alarm', 'errand' => 'raise', 'moment' => 'at_once', 'when' => ['value' => 'danger', 'is' => true]], ['key' => 'after', 'errand' => 'note', 'moment' => 'end']],
            'sheet' => ['type' => 'object', 'properties' => ['danger' => ['type' => 'boolean', 'title' => 'Danger'], 'site' => ['type' => 'string', 'title' => 'Site']]],
            'first' => 'hurt',
            'steps' => [
                ['key' => 'hurt', 'kind' => 'ask', 'field' => 'danger', 'prompt' => 'Is anybody hurt?', 'next' => 'where'],
                ['key' => 'where', 'kind' => 'ask', 'field' => 'site', 'prompt' => 'Where are you?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'We are coming.', 'outcome' => 'done'],
            ],
        ], ...$changes];
    }
}
