<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** 'I'll put my wife on': waits, and takes the next words as those of somebody new. */
final readonly class Handover implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($turn->state->mode !== Mode::Answer || $turn->step() === null) {
            return null;
        }
        $turn->trace->rule('somebody else is coming to the telephone');
        $turn->state->mode = Mode::Handover;
        $turn->state->holding = true;
        $turn->standing('hold');

        return Move::stay();
    }
}
