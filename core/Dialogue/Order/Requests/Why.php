<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Speech\Prompt;

/** 'What do you need that for?' */
final readonly class Why implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if (! $step instanceof AskStep || $turn->state->mode !== Mode::Answer) {
            return null;
        }
        $turn->trace->rule('the caller asks why');
        $step->why !== null ? $turn->prompt(Prompt::of($step->why), $step->key().'.why') : $turn->standing('why');

        return Move::again();
    }
}
