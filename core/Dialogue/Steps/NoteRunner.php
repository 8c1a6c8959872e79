<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Vocabulary;
use Ringo\Script\Computation;
use Ringo\Script\Steps\Note\NoteStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

final readonly class NoteRunner implements StepRunner
{
    public function __construct(private Vocabulary $words)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof NoteStep);
        foreach ($step->forget as $field) {
            $turn->forget($field);
            $turn->state->declined = array_values(array_diff($turn->state->declined, [$field]));
        }
        foreach ($step->set as $key => $value) {
            $field = $turn->script->sheet->field((string) $key);
            if ($field !== null) {
                $turn->hold($field, new Held($value, 1.0, Origin::Set, null, ''));
            }
        }
        foreach ($step->workOut as $key => $computation) {
            $this->workOut($turn, $turn->script->sheet->field((string) $key), $computation);
        }
        if ($step->tag !== null && ! in_array($step->tag, $turn->state->tags, true)) {
            $turn->state->tags[] = $step->tag;
        }
        if ($step->outcome !== null) {
            $this->reach($turn, $step->outcome);
        }

        return Move::to($step->next);
    }

    /** An outcome: the topic the caller came with is brought to its end. */
    private function reach(Turn $turn, string $outcome): void
    {
        $state = $turn->state;
        $state->outcome = $outcome;
        $turn->trace->rule('outcome so far: '.$outcome);
        if ($state->topic !== null && ! in_array($state->topic, $state->finished, true)) {
            $state->finished[] = $state->topic;
        }
    }

    private function workOut(Turn $turn, ?Field $field, Computation $computation): void
    {
        if ($field === null) {
            return;
        }
        $scope = $turn->scope();
        $result = $computation->result($scope->amount(...), $scope->value(...));
        if ($result === null) {
            $turn->trace->rule("{$field->key} cannot be worked out: a part of it is missing");

            return;
        }
        [$amount, $how] = $result;
        $turn->trace->rule("{$field->key} is worked out: {$how}");
        $turn->hold($field, new Held($this->typed($turn, $field, $amount), 1.0, Origin::Set, null, $how));
    }

    private function typed(Turn $turn, Field $field, float $amount): mixed
    {
        return match ($field->type) {
            ValueType::Money => ['amount' => $amount, 'currency' => $this->words->section('units', 'country_currency')[$turn->script->agent->country] ?? 'GBP'],
            ValueType::Duration => 'P'.(int) round($amount).'D',
            default => floor($amount) === $amount ? (int) $amount : $amount,
        };
    }
}
