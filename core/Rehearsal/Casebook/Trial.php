<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Advice\KeptAdvice;
use Ringo\Advice\Purpose;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Outcome;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Transcript\Turn;

/** Rings a case on an agent and looks at what must hold. Nothing outside is asked: the case has kept what was answered. */
final readonly class Trial
{
    /** @param ?SketchBook $book the book the engine books in; each case finds it empty, but for what its caller has booked */
    public function __construct(private Engine $engine, private ?SketchBook $book = null)
    {
    }

    public function script(): Script
    {
        return $this->engine->script;
    }

    public function of(KeptCase $case): Verdict
    {
        $this->book?->fresh();
        foreach ($case->booked as $one) {
            $one->in($this->book, $case->from);
        }
        $script = $this->engine->script;
        $lines = new Lines($case, $script);
        $at = new \DateTimeImmutable($case->at, new \DateTimeZone($script->agent->tz));
        $caller = $case->caller === [] ? ['known' => false, 'kind' => $case->from === null ? 'withheld' : 'unknown'] : $case->caller;
        $state = (new Opening($script))->state('case-'.$case->key, $at, $case->seed, $case->from, null, $caller);
        /** @var array<string, int> $asked how often each field was asked for */
        $asked = [];
        $passed = [];
        $call = (new Rehearsal($case->advice === [] ? $this->engine : $this->engine->advisedOn(array_map(Purpose::from(...), array_values(array_unique(array_column($case->advice, 'purpose'))))), new KeptErrands($case), KeptAdvice::of($case->advice)))->converse(
            $state,
            static fn (CallState $now): ?Input => $lines->next($now),
            static function (Event $event, Outcome $outcome) use (&$asked, &$passed): void {
                foreach ($outcome->trace->steps as $key) {
                    $passed[$key] = true;
                }
                foreach ($outcome->state->visits as $step => $times) {
                    $asked[$step] = $times + ($outcome->state->again[$step] ?? 0);
                }
            },
        );
        $fields = [];
        foreach ($asked as $step => $times) {
            foreach (($script->steps[$step] ?? null)?->asks() ?? [] as $field) {
                $fields[$field] = ($fields[$field] ?? 0) + $times;
            }
        }

        return new Verdict($case, $this->failures($case->expect, $call->state, $call->transcript->turns, array_map(strval(...), array_keys($passed)), $fields), $call, $lines->unused());
    }

    /**
     * @param list<Turn> $turns
     * @param list<string> $passed
     * @param array<string, int> $asked
     *
     * @return list<array{expect: string, wanted: mixed, got: mixed}>
     */
    private function failures(Expectations $expect, CallState $state, array $turns, array $passed, array $asked): array
    {
        $failures = [];
        $fails = static function (string $what, mixed $wanted, mixed $got) use (&$failures): void {
            $failures[] = ['expect' => $what, 'wanted' => $wanted, 'got' => $got];
        };
        foreach ($expect->values as $field => $wanted) {
            $got = ($state->values[$field] ?? null)?->value;
            if ($got != $wanted || ($got === null) !== ($wanted === null)) {
                $fails("value {$field}", $wanted, $got);
            }
        }
        if ($expect->outcome !== null && $state->outcome !== $expect->outcome) {
            $fails('outcome', $expect->outcome, $state->outcome);
        }
        $said = mb_strtolower(implode(' ', array_map(static fn (Turn $turn): string => $turn->by === 'agent' ? $turn->text : '', $turns)));
        foreach ($expect->says as $words) {
            str_contains($said, mb_strtolower($words)) || $fails('says', $words, null);
        }
        foreach ($expect->neverSays as $words) {
            str_contains($said, mb_strtolower($words)) && $fails('never_says', $words, $words);
        }
        foreach (array_diff($expect->reaches, $passed) as $step) {
            $fails('reaches', $step, null);
        }
        foreach ($expect->askedOnce as $field) {
            ($asked[$field] ?? 0) > 1 && $fails('asked_once', $field, $asked[$field]);
        }
        if ($expect->mostTurns !== null && $state->heard > $expect->mostTurns) {
            $fails('most_turns', $expect->mostTurns, $state->heard);
        }
        foreach (array_diff($expect->sends, array_column($state->sent, 'by')) as $by) {
            $fails('sends', $by, null);
        }

        return $failures;
    }
}
