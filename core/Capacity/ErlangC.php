<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/**
 * A queue whose callers wait for ever.
 *
 * A. K. Erlang (1917): C = N·B / (N − A·(1 − B)); waiting, for those who wait, is exponential with rate (N − A) / length.
 */
final readonly class ErlangC implements Queueing
{
    public function __construct(private Load $load)
    {
    }

    public function with(int $people, ?float $within): Service
    {
        $erlangs = $this->load->erlangs();
        if ($erlangs >= $people) {
            return new Service(false, 1.0, null, $within === null ? null : 0.0, 1.0);
        }
        $blocked = (new ErlangB($this->load))->blocked($people);
        $waits = $people * $blocked / ($people - $erlangs * (1 - $blocked));
        $spare = $people - $erlangs;

        return new Service(
            true,
            $waits,
            $waits * $this->load->seconds / $spare,
            $within === null ? null : 1 - $waits * exp(-$spare * $within / $this->load->seconds),
            $erlangs / $people,
        );
    }
}
