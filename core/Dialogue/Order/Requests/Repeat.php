<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Says the last words again, whole. */
final readonly class Repeat implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
        $turn->trace->rule('standing rule: say it again');
        $turn->repeat();

        return Move::stay();
    }
}
