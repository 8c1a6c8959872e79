<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Requests that hold on every step, where the words are little else. */
final readonly class StandingRequests implements Consideration
{
    /** @param array<string, Request> $requests by the act they answer, in the order they are looked for */
    public function __construct(private array $requests)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        foreach ($this->requests as $kind => $request) {
            $act = $hearing->alone(ActKind::from($kind));
            $move = $act === null ? null : $request->answer($turn, $act, $hearing);
            if ($act !== null && $move !== null) {
                $hearing->dealtWith($act->kind);

                return $move;
            }
        }

        return null;
    }
}
