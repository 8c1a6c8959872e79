<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;

/** A correction at a menu or an open question, once the words were none of its options. */
final readonly class TopicCorrection implements Consideration
{
    public function __construct(private Corrections $corrections, private Keeper $keeper)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($turn->state->mode !== Mode::Answer || $turn->step() instanceof AskStep || ! $this->corrections->sounded($hearing->heard)) {
            return null;
        }
        $corrected = $this->corrections->find($turn, $hearing->heard, array_reverse(array_keys($turn->state->values)));
        if ($corrected === []) {
            return null;
        }
        $this->keeper->correct($turn, $corrected);

        return Move::again();
    }
}
