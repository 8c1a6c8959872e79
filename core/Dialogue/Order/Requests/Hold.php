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
    /** Words that may stand around the request where it is put as a question. */
    private const BESIDE = 4;

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        // 'Can you hold on a sec' waits, 'can we hang on to the digger for a few days' asks.
        if ($hearing->asks() && count($hearing->heard->tokens) - count($act->words->tokens) > self::BESIDE) {
            return null;
        }
        $turn->trace->rule('the caller asks for a moment');
        $turn->state->holding = true;
        $turn->standing('hold');

        return Move::stay();
    }
}
