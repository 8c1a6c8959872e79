<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Reach\ReachStep;

/** Who was rung says that it is the wrong number: the agent apologises and ends, where no step of its own finds out who picked up. */
final readonly class WrongNumber implements Consideration
{
    /** Words of substance that may stand beside it. */
    private const BESIDE = 3;

    public function __construct(private Phrasebook $phrases)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $said = $this->phrases->table('outbound', 'wrong_number_outright');
        if ($turn->script->agent->direction !== 'outbound' || $turn->step() instanceof ReachStep || ! $said->in($hearing->heard->tokens)
            || $this->phrases->content($said->without($hearing->heard->tokens)) > self::BESIDE) {
            return null;
        }
        $turn->trace->rule('wrong number');
        $turn->standing('reach_wrong');
        $turn->standing('goodbye');
        $turn->end('wrong number');

        return Move::stay();
    }
}
