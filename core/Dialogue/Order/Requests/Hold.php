<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** 'Just finding my glasses, bear with me.' */
final readonly class Hold implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($hearing->asks() && ! $act->alone) {
            return null;
        }
        $turn->trace->rule('the caller asks for a moment');
        $turn->state->holding = true;
        $turn->standing('hold');

        return Move::stay();
    }
}
