<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Transfers\Transfers;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Which of several teams is meant. */
final readonly class ChoosingTeam implements ModeHandler
{
    public function __construct(private Transfers $transfers)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::LeavingOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        return $this->transfers->which($turn, $hearing->heard);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::stay();
    }

    public function keyed(Turn $turn, string $digits): Move
    {
        $turn->standing('wrong_key');

        return Move::stay();
    }

    public function silent(Turn $turn): Move
    {
        return $this->transfers->unanswered($turn);
    }

    public function again(Turn $turn): bool
    {
        $turn->speak($turn->state->lastQuestion, $turn->state->step, true);

        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }
}
