<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Outcome;
use Ringo\Errand\Prepared;
use Ringo\Language\Vocabulary;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Book\BookStep;

/** Lets a stand-in caller ring a script, and looks at what became of it: the truth is known here. */
final readonly class Walk
{
    private Phrases $phrases;

    private Sayings $sayings;

    private Rehearsal $rehearsal;

    /** @var array<string, true> fields that booking fills, and nobody asks for */
    private array $agreed;

    /** @param ?SketchBook $book the book the engine books in; each caller finds it empty, but for what they have booked themselves */
    public function __construct(private Engine $engine, private \DateTimeImmutable $now, private float $noise, ?Prepared $errands = null, private ?SketchBook $book = null)
    {
        $agreed = [];
        foreach ($engine->script->steps as $step) {
            $agreed += $step instanceof BookStep ? array_fill_keys($step->sets(), true) : [];
        }
        foreach ($engine->script->steps as $step) {
            $agreed = $step instanceof AskStep ? array_diff_key($agreed, [$step->field => true]) : $agreed;
        }
        $this->agreed = $agreed;
        $this->phrases = new Phrases(Vocabulary::of($engine->script->agent->language));
        $this->sayings = new Sayings($this->phrases);
        $this->rehearsal = new Rehearsal($engine, $errands);
    }

    /**
     * @param ?CallState $state how the call begins, where a line has decided it: staff that ring first do not answer
     */
    public function of(StandIn $who, ?CallState $state = null): Walked
    {
        $script = $this->engine->script;
        $this->book?->fresh();
        $aim = Aim::of($who, $script, $this->book, $this->now);
        $caller = new Caller($who, $script, $this->now, $this->phrases, $this->sayings, new NoisyLine($this->phrases, $who->line->strength($this->noise)), $aim);
        $state ??= (new Opening($script))->state("crowd-{$who->n}", $this->now, (string) $who->n, $who->number, null, ['known' => false, 'kind' => 'unknown']);
        $turns = 0;
        /** @var array<string, string> $askedAt the step at which each field was asked for */
        $askedAt = [];
        $call = $this->rehearsal->converse($state, static function (CallState $now) use ($caller, &$turns): ?Input {
            if ($now->first !== null) {
                return new Input('no_answer');
            }
            $turns++;

            return $caller->next($now);
        }, static function (Event $event, Outcome $outcome) use (&$askedAt): void {
            $askedAt = $outcome->state->askedAt + $askedAt;
        });
        $fields = $this->fields($caller, $call, $askedAt);
        $reached = $call->state->connected !== null || $aim->reached($call->state, $this->now);
        $achieved = $reached && array_diff($fields, ['right']) === [] && $caller->gaveUp === null;

        return new Walked($who, $achieved, $caller->truth, $fields, $turns, round($call->state->clock, 1), $caller->repeats, $call->state->outcome ?? '', $this->failures($who, $caller, $call, $fields, $askedAt, $reached), $call, $aim->booked);
    }

    /**
     * @param array<string, string> $askedAt
     *
     * @return array<string, string>
     */
    private function fields(Caller $caller, FinishedCall $call, array $askedAt): array
    {
        $fields = [];
        foreach ($this->engine->script->sheet->fields as $field) {
            $held = $call->state->values[$field->key] ?? null;
            $true = $caller->truth[$field->key] ?? null;
            if ($true === null || isset($this->agreed[$field->key]) || $held === null && ! isset($askedAt[$field->key]) || $held !== null && in_array($held->origin, [Origin::Set, Origin::LookedUp, Origin::Recognised], true)) {
                continue;
            }
            $fields[$field->key] = $held === null ? 'missing' : (Same::value($field, $held->value, $true) ? 'right' : 'wrong');
        }

        return $fields;
    }

    /**
     * @param array<string, string> $fields
     * @param array<string, string> $askedAt
     *
     * @return list<array{step: string, cause: string}>
     */
    private function failures(StandIn $who, Caller $caller, FinishedCall $call, array $fields, array $askedAt, bool $reached): array
    {
        $failures = [];
        foreach ($fields as $field => $how) {
            if ($how !== 'right') {
                $failures[] = ['step' => $askedAt[$field] ?? ($call->state->askedAt[$field] ?? ''), 'cause' => $how === 'wrong' ? "{$field} is not what was meant" : "{$field} was asked for and not taken"];
            }
        }
        if ($caller->gaveUp !== null) {
            $failures[] = ['step' => $caller->gaveUpAt ?? '', 'cause' => "hung up: {$caller->gaveUp}"];
        }
        if (! $reached) {
            $state = $call->state;
            $failures[] = ['step' => $this->last($call), 'cause' => match (true) {
                $caller->gaveUp !== null => 'did not get what they came for',
                $who->topic !== null && $state->topic !== null && $state->topic !== $who->topic => 'taken for something else',
                $who->topic !== null && $state->topic === null => 'what they came for was not understood',
                default => 'ended without what they came for',
            }];
        }

        return $failures;
    }

    private function last(FinishedCall $call): string
    {
        foreach (array_reverse($call->traces) as $trace) {
            if ($trace->fromStep !== null) {
                return $trace->fromStep;
            }
        }

        return '';
    }
}
