<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Errands\Running;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Words, keys or silence while an errand is on its way: nothing said meanwhile is lost. */
final readonly class LookingUp implements ModeHandler
{
    public function __construct(private Running $running)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::LeavingOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        if ($turn->state->errand !== null) {
            $turn->state->errand['meanwhile'][] = $hearing->heard->original;
            $turn->trace->rule('kept until the answer is there');
        }

        return $this->running->waits($turn);
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
        return $this->running->waits($turn);
    }

    public function again(Turn $turn): bool
    {
        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('errand');
    }
}
