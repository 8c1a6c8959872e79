<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** 'Hello? Are you there?' */
final readonly class Presence implements Request
{
    /** Words beyond which a greeting opens something else. */
    private const FEW_WORDS = 7;

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($turn->state->mode === Mode::Handover || count($hearing->heard->tokens) > self::FEW_WORDS || $act->rest->tokens !== [] && count($act->words->tokens) === 1) {
            return null;
        }
        $turn->trace->rule('the caller asks whether anybody is there');
        $turn->standing('here');

        return Move::again();
    }
}
