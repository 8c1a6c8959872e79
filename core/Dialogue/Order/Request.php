<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** A standing request and its reply. */
interface Request
{
    /** What follows; null where it is no such request here. */
    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move;
}
