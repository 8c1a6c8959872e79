<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;

/** What was collected is forgotten, what was known of the caller is not. */
final readonly class StartAgain implements Request
{
    public function answer(Turn $turn, Act $act, Hearing $hearing): Move
    {
        $state = $turn->state;
        $turn->trace->rule('start again: what was collected is forgotten');
        foreach ($state->values as $key => $held) {
            if ($held->origin !== Origin::Recognised) {
                $turn->forget($key);
            }
        }
        $state->declined = $state->pending = $state->path = $state->returns = $state->parts = $state->finished = [];
        $turn->standing('start_again');
        foreach ($turn->script->steps as $step) {
            if ($step instanceof ListenStep || $step instanceof ChooseStep) {
                return Move::to($step->key());
            }
        }

        return Move::to($turn->first());
    }
}
