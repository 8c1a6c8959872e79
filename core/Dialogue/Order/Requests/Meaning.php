<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** 'What do you mean?', 'such as?': the question explained. */
final readonly class Meaning implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($turn->state->mode !== Mode::Answer || $turn->step() === null) {
            return null;
        }
        $turn->trace->rule('the caller asks what is meant');

        return Move::help();
    }
}
