<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** One polite line for what has nothing to do with the matter, and for strong words; then back to the question. */
final readonly class OffTopic implements Consideration
{
    /** How often in a call it is met as such. */
    private const MOST = 3;

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($hearing->act(ActKind::OffTopic) !== null && $turn->state->offTopic < self::MOST) {
            $turn->state->offTopic++;
            $hearing->dealtWith(ActKind::OffTopic);
            $turn->trace->rule('off topic');
            $turn->standing('off_topic', ['business' => $turn->script->agent->business]);

            return Move::again();
        }
        if ($hearing->act(ActKind::Profanity) !== null) {
            $hearing->dealtWith(ActKind::Profanity);
            $turn->trace->rule('strong words are met politely');
            $turn->standing('polite');

            return Move::again();
        }

        return null;
    }
}
