<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** The caller speaks with a colleague: the agent only listens. */
final readonly class Connected implements ModeHandler
{
    public function weighing(Turn $turn): Weighing
    {
        return Weighing::AnswerOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        $turn->trace->rule('the caller speaks with '.($turn->state->connected['name'] ?? 'a colleague'));

        return Move::stay();
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::stay();
    }

    public function keyed(Turn $turn, string $digits): Move
    {
        return Move::stay();
    }

    public function silent(Turn $turn): Move
    {
        return Move::stay();
    }

    public function again(Turn $turn): bool
    {
        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }
}
