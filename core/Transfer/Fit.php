<?php

declare(strict_types=1);

namespace Ringo\Transfer;

/** How well teams fit what a caller said, and what follows: one is chosen, two or three are asked apart, or none fits. */
final readonly class Fit
{
    /**
     * @param array<string, float> $scores by team, best first
     * @param ?string $team the team chosen; null where a question must decide, or nothing fits
     * @param list<string> $candidates teams to ask apart
     * @param string $why in words
     */
    public function __construct(public array $scores, public ?string $team, public array $candidates, public string $question, public string $why)
    {
    }

    /** From 0 to 1, of the team that is chosen or comes first. */
    public function sureness(): float
    {
        return round(min(0.99, max([0.0, ...array_values($this->scores)])), 3);
    }
}
