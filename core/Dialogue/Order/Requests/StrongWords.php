<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Strong words are met politely, and the question stands. */
final readonly class StrongWords implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
        $turn->trace->rule('strong words are met politely');
        $turn->standing('polite');

        return Move::again();
    }
}
