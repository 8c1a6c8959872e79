<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Modes\Modes;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** Nobody could do anything with the words. */
final readonly class NotUnderstood implements Consideration
{
    public function __construct(private Modes $modes)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): Move
    {
        return $this->modes->now($turn)->missed($turn, $hearing);
    }
}
