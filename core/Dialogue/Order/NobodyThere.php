<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Reach\ReachStep;

/**
 * A machine answers a call that was placed: its greeting is no answer to anything.
 *
 * Only the first words from the other end count, and only where no step of its own waits for who picked up. The script's own words for a
 * voicemail are left there; without any the agent hangs up.
 */
final readonly class NobodyThere implements Consideration
{
    public function __construct(private Phrasebook $phrases)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($turn->script->agent->direction !== 'outbound' || $turn->state->heard !== 1 || $turn->step() instanceof ReachStep || ! $this->machine($hearing)) {
            return null;
        }
        $left = isset($turn->script->standing->words['voicemail']);
        $turn->trace->rule($left ? 'a voicemail: leaves its message' : 'a voicemail: hangs up');
        if ($left) {
            $turn->standing('voicemail');
        }
        $turn->state->outcome = null;
        $turn->end('voicemail');

        return Move::stay();
    }

    private function machine(Hearing $hearing): bool
    {
        $said = $this->phrases->table('outbound', 'machine');

        return $said->in($hearing->heard->tokens) || $said->in($hearing->heard->all);
    }
}
