<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** One place in the order in which a caller's words are weighed. */
interface Consideration
{
    /** What follows where it has dealt with the words; null passes them on. */
    public function weigh(Turn $turn, Hearing $hearing): ?Move;
}
