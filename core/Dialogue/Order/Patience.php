<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\PersonWanted;

/** Counts signs of frustration; when patience is at its end a person is offered, once in a call. */
final readonly class Patience implements Consideration
{
    /** So many exclamation marks in one utterance are a sign. */
    private const SHOUTED = 2;

    public function __construct(private PersonWanted $person)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $state = $turn->state;
        if ($hearing->act(ActKind::Frustration) === null && substr_count($hearing->heard->original, '!') < self::SHOUTED) {
            return null;
        }
        $state->frustration++;
        $turn->trace->rule("frustration, sign {$state->frustration}");
        if ($state->frustration < $turn->script->standing->patience || $turn->script->standing->person === null || $state->personOffered) {
            return null;
        }
        $state->personOffered = true;
        $hearing->dealtWith(ActKind::Frustration, ActKind::Complaint);
        $turn->trace->rule('patience is at its end: a person');

        return $this->person->move($turn);
    }
}
