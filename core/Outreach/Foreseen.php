<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** What a forecast says. */
final readonly class Foreseen
{
    /**
     * @param int $allowed people who will be rung at least once
     * @param array<string, int> $excluded people by why they are not
     * @param array<string, Percentiles> $figures reached (people), attempts, minutes (of talk), hours (a line is held), cost
     * @param array<string, array{first: string, last: string, calls: float}> $days by date: first and last call on the clock of who is rung, and how many on average
     */
    public function __construct(public int $listed, public int $allowed, public array $excluded, public array $figures, public array $days)
    {
    }
}
