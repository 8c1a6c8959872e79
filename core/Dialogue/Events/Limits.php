<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Events;

use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;

/** What no call goes beyond. */
final readonly class Limits
{
    /** No path loops for ever: turns and minutes are limited, each with its own ending. */
    public function hold(Turn $turn): void
    {
        $state = $turn->state;
        if ($state->ended || $state->mode === Mode::Connected) {
            return;
        }
        $limits = $turn->script->limits;
        [$why, $phrase, $outcome] = match (true) {
            $state->heard >= $limits->turns => ["more than {$limits->turns} turns", 'limit', Ending::TURN_LIMIT],
            $state->clock >= 60 * $limits->minutes => ["longer than {$limits->minutes} minutes", 'limit_time', Ending::TIME_LIMIT],
            default => [null, '', ''],
        };
        if ($why === null) {
            return;
        }
        $turn->trace->rule('limit of the call: '.$why);
        $turn->actions = [];
        $turn->standing($phrase);
        $turn->end($state->outcome ?? $outcome);
    }
}
