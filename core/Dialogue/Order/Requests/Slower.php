<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

final readonly class Slower implements Request
{
    private const BY = 0.15;

    private const SLOWEST = 0.7;

    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
        $turn->state->pace = max(self::SLOWEST, $turn->state->pace - self::BY);
        $turn->trace->rule('slower: pace '.number_format($turn->state->pace, 2));
        $turn->standing('slower');

        return Move::again();
    }
}
