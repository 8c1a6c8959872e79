<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Transfers\StaffFirst;
use Ringo\Dialogue\Transfers\Transfers;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Words, keys or silence while somebody is being rung. */
final readonly class Ringing implements ModeHandler
{
    public function __construct(private Transfers $transfers, private StaffFirst $staffFirst)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::LeavingOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        return $this->waiting($turn, true);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::stay();
    }

    public function keyed(Turn $turn, string $digits): Move
    {
        return $this->waiting($turn, true);
    }

    public function silent(Turn $turn): Move
    {
        return $this->waiting($turn, false);
    }

    public function again(Turn $turn): bool
    {
        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }

    private function waiting(Turn $turn, bool $said): Move
    {
        return $turn->state->first === null ? $this->transfers->waiting($turn, $said) : $this->staffFirst->waiting($turn);
    }
}
