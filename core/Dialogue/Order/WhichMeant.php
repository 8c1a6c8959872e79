<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** The reply to 'which do you mean?': the answer that stood ready is said, then the open question again. */
final readonly class WhichMeant implements Consideration
{
    public function __construct(private Replies $replies)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $chosen = $this->replies->chosen($turn, $hearing->heard);
        if ($chosen === null) {
            return null;
        }
        $this->replies->say($turn, $chosen);

        return Move::backToIt();
    }
}
