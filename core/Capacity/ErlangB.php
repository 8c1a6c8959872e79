<?php

declare(strict_types=1);

namespace Ringo\Capacity;

/**
 * Lines without a queue: a call that finds all of them taken is turned away.
 *
 * A. K. Erlang, Solution of some problems in the theory of probabilities of significance in automatic telephone exchanges (1917),
 * by the recursion B(0) = 1, B(n) = A·B(n−1) / (n + A·B(n−1)), which neither overflows nor cancels.
 */
final readonly class ErlangB
{
    public function __construct(private Load $load)
    {
    }

    /**
     * The share of calls that find every line taken, 0 to 1.
     *
     * @param int $lines 0 or more
     */
    public function blocked(int $lines): float
    {
        $blocked = 1.0;
        for ($n = 1; $n <= $lines; $n++) {
            $blocked = $this->oneLineMore($blocked, $n);
        }

        return $blocked;
    }

    /**
     * The fewest lines with which no larger share of calls is turned away.
     *
     * @param float $share above 0, up to 1
     *
     * @throws \DomainException
     */
    public function lines(float $share): int
    {
        if (! ($share > 0 && $share <= 1)) {
            throw new \DomainException('“blocked” must be a share above 0, up to 1: 0.01 is one call in a hundred');
        }
        $blocked = 1.0;
        for ($n = 0; $blocked > $share;) {
            $blocked = $this->oneLineMore($blocked, ++$n);
        }

        return $n;
    }

    private function oneLineMore(float $blocked, int $lines): float
    {
        $carried = $this->load->erlangs() * $blocked;

        return $carried / ($lines + $carried);
    }
}
