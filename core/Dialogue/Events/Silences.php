<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Events;

use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Silence where something was waited for. */
final readonly class Silences
{
    /** Silences in a row, whatever the step, after which the call ends. */
    private const QUIET = 5;

    public function __construct(private Modes $modes)
    {
    }

    public function heard(Turn $turn): Move
    {
        $state = $turn->state;
        if (in_array($state->mode, [Mode::Connected, Mode::Ringing, Mode::LookingUp], true)) {
            return $this->modes->now($turn)->silent($turn);
        }
        if ($state->holding) {
            $state->holding = false;
            $turn->trace->rule('the caller asked for a moment: this silence does not count');

            return Move::again();
        }
        $state->silences++;
        $state->quiet++;
        if ($state->quiet >= self::QUIET) {
            $turn->trace->rule('nothing heard five times running');
            $turn->standing('unheard_end');
            $turn->end($state->outcome ?? Ending::NO_REPLY);

            return Move::stay();
        }

        return $this->modes->now($turn)->silent($turn);
    }
}
