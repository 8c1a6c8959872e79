<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/** People who answer callers in the order they came, with a queue before them. */
interface Queueing
{
    /**
     * @param int $people who answer, 1 or more
     * @param float|null $within seconds, 0 or more
     */
    public function with(int $people, ?float $within): Service;
}
