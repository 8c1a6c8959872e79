<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Errands\Known;
use Ringo\Dialogue\Errands\Running;
use Ringo\Dialogue\Errands\WhichOne;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Walk\Move;
use Ringo\Errand\Errand;
use Ringo\Errand\Parameter;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;

/** Runs an errand: asks for what it still needs, sends it on its way, and asks which where several came back. */
final readonly class LookUpRunner implements AskingRunner
{
    public function __construct(private Puts $puts, private Collector $collector, private Keeper $keeper, private Known $known, private Running $running, private WhichOne $which)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof LookUpStep);
        $errand = $this->running->errand($step);
        if ($errand === null) {
            $turn->trace->rule("{$step->key()}: there is no errand “{$step->errand}”");

            return Move::to($step->failed);
        }
        $out = $turn->state->errand;
        if ($out !== null && $out['step'] === $step->key() && $out['asks'] === 'which') {
            // Back from a detour: the same question again.
            $turn->speak($out['question'], $step->key(), true);

            return Move::stay();
        }
        [$values, $missing] = $this->known->values($turn, $errand);

        return $missing === null ? $this->running->begin($turn, $step, $errand, $values) : $this->ask($turn, $step, $errand, $missing);
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        $field = $this->asked($turn);

        return $field === null ? Reading::none() : $this->collector->asked($turn, $field, $hearing->heard);
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof LookUpStep);
        $errand = $this->running->errand($step);
        $field = $this->asked($turn);
        if ($field !== null) {
            $reading = $this->collector->asked($turn, $field, $hearing->heard);
            $taken = $reading->found() && $reading->confidence >= Collector::LEAST;
            $turn->considered($field, $reading, $taken, $taken ? 'answers what the errand needs' : ($reading->doubt ?? 'nothing of this kind was heard'));
            if (! $taken) {
                return null;
            }
            $this->keeper->take($turn, $field, $reading, Origin::Asked);

            return Move::on($step->key());
        }
        if ($errand === null || ($turn->state->errand['asks'] ?? null) !== 'which') {
            return null;
        }
        $rows = $this->which->chosen($turn, $errand, $hearing->heard);

        return $rows === [] ? null : $this->narrowed($turn, $step, $errand, $rows);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof LookUpStep);
        $out = $turn->state->errand;
        $errand = $this->running->errand($step);
        $row = $out === null || $out['asks'] !== 'which' ? null : ($out['rows'][(int) rtrim($digits, '#') - 1] ?? null);

        return $errand === null || $row === null ? null : $this->narrowed($turn, $step, $errand, [$row]);
    }

    public function short(Turn $turn, Step $step): ?Prompt
    {
        $question = $turn->state->errand['question'] ?? '';

        return $question === '' ? null : Prompt::of($question);
    }

    public function help(Turn $turn, Step $step): Help
    {
        $example = $this->asked($turn)?->example;
        if ($example === null) {
            return Help::None;
        }
        $turn->standing('example', ['it' => $example]);

        return Help::Hint;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        $field = $this->asked($turn);

        return $field === null ? new Waiting('choice', Waiting::LONG, '123456789') : new Waiting($field->type->value, Waiting::LONG, '0123456789#');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        return null;
    }

    /** @param non-empty-list<array<string, mixed>> $rows those the words leave */
    private function narrowed(Turn $turn, LookUpStep $step, Errand $errand, array $rows): Move
    {
        if (count($rows) === 1) {
            $turn->trace->rule("{$errand->key}: one is chosen");

            return $this->running->found($turn, $step, $errand, $rows[0]);
        }
        if ($turn->state->errand !== null) {
            $turn->state->errand['rows'] = $rows;
        }

        return $this->which->ask($turn, $step, $errand) ?? Move::out();
    }

    /** Asks for a value without which the errand cannot run. */
    private function ask(Turn $turn, LookUpStep $step, Errand $errand, Parameter $missing): Move
    {
        $field = $turn->script->sheet->field((string) $missing->from);
        if ($field === null || in_array($field->key, $turn->state->declined, true)) {
            $turn->trace->rule("{$errand->key}: {$missing->label} is not known, and cannot be asked for");

            return Move::to($step->failed);
        }
        if (! $this->puts->visit($turn, $step)) {
            return Move::stay();
        }
        $turn->trace->rule("{$errand->key}: needs {$missing->label}");
        $turn->state->askedAt[$field->key] = $step->key();
        $asks = $turn->script->asking($field->key);
        $asks === null ? $turn->standing('errand_ask', ['what' => $missing->label], true) : $turn->prompt($asks->prompt, $step->key(), true);
        $turn->state->errand = ['step' => $step->key(), 'key' => $errand->key, 'id' => '', 'values' => [], 'asks' => 'field', 'field' => $field->key, 'rows' => [], 'by' => null, 'questions' => 0, 'since' => $turn->state->clock, 'told' => null, 'meanwhile' => [], 'question' => $turn->state->lastQuestion];

        return Move::stay();
    }

    private function asked(Turn $turn): ?Field
    {
        $out = $turn->state->errand;

        return $out === null || $out['asks'] !== 'field' || $out['field'] === null ? null : $turn->script->sheet->field($out['field']);
    }
}
