<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\FieldNames;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** Back to the question before, or to the one whose answer is said to be wrong. */
final readonly class GoBack implements Request
{
    public function __construct(private FieldNames $names, private Collector $collector)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($this->chooses($turn, $act, $hearing)) {
            return null;
        }
        $named = $this->names->in($turn, $hearing->heard, array_keys($turn->state->values));
        foreach ($named as $field) {
            $step = $turn->state->askedAt[$field] ?? $turn->script->asking($field)?->key();
            if ($step !== null && isset($turn->script->steps[$step])) {
                $turn->trace->rule("go back to {$step}, which asked for {$field}");
                $turn->forget($field);
                $turn->state->pending = array_values(array_diff($turn->state->pending, [$field]));
                $turn->standing('went_back');

                return Move::to($step);
            }
        }

        return Move::back();
    }

    /** 'There and back', where a single or a return was asked for, is one of them. */
    private function chooses(Turn $turn, Act $act, Hearing $hearing): bool
    {
        $step = $turn->step();
        $field = $step instanceof AskStep && $turn->state->mode === Mode::Answer ? $turn->script->sheet->field($step->field) : null;
        if ($field === null || ! in_array($field->type, [ValueType::Choice, ValueType::Several], true)) {
            return false;
        }
        $reading = $this->collector->asked($turn, $field, $hearing->heard);

        $said = $act->words->tokens;
        // 'Go back please' goes back, whatever door is called so.
        $request = count($said) > 1 && $reading->start >= $said[0]->start && $reading->end <= $said[count($said) - 1]->end;

        return $reading->found() && $reading->confidence >= Collector::LEAST && ! $request;
    }
}
