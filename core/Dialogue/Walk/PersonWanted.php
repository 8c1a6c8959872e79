<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Turn;

/** Where a request for a person leads: the step the script names for it, or words that nobody can be got and what can be done instead. */
final readonly class PersonWanted
{
    public function move(Turn $turn): Move
    {
        $to = $turn->script->standing->person;
        $state = $turn->state;
        if ($to === null || $state->step === $to || in_array($to, $state->path, true) && ($state->visits[$to] ?? 0) > 1) {
            $turn->standing('no_person');

            return Move::again();
        }

        return Move::aside($to);
    }
}
