<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

/** Days from one to another, as somebody told them. */
final readonly class Stretch
{
    /**
     * @param bool $counts whether both days are counted: 'Saturday and Sunday', not 'Friday till Sunday'
     * @param bool $weekend told as a weekend, which nights begin on its Friday
     * @param int $start where it was told, in characters
     */
    public function __construct(public \DateTimeImmutable $first, public \DateTimeImmutable $last, public bool $counts, public bool $weekend, public int $start, public int $end)
    {
    }

    /** The days between, as they are told. */
    public function days(): int
    {
        return (int) $this->first->diff($this->last)->days + ($this->counts ? 1 : 0);
    }
}
