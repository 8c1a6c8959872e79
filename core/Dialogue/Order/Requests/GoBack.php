<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\FieldNames;
use Ringo\Dialogue\Walk\Move;

/** Back to the question before, or to the one whose answer is said to be wrong. */
final readonly class GoBack implements Request
{
    public function __construct(private FieldNames $names)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
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
}
