<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

/** Chance that comes out the same for the same seed, on every machine. */
final readonly class Dice
{
    private \Random\Randomizer $randomizer;

    public function __construct(string $seed)
    {
        $this->randomizer = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(hash('sha256', $seed, true)));
    }

    public function between(int $least, int $most): int
    {
        return $this->randomizer->getInt($least, max($least, $most));
    }

    /** @param float $share from 0 to 1 */
    public function falls(float $share): bool
    {
        return $this->randomizer->getInt(0, 999_999) < $share * 1_000_000;
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $of
     *
     * @return T
     */
    public function one(array $of): mixed
    {
        return $of[$this->between(0, count($of) - 1)];
    }
}
