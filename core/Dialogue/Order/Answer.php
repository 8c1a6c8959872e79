<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** The answer to what is open, with all that was volunteered beside it. */
final readonly class Answer implements Consideration
{
    public function __construct(private Modes $modes)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        return $this->modes->now($turn)->answer($turn, $hearing);
    }
}
