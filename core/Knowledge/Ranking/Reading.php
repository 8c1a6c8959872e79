<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Units\Unit;

/** A unit with what was found of it for one question. */
final readonly class Reading
{
    /**
     * @param array<string, float> $features by name
     * @param list<float> $met how well each word of the question is met by it and what stands around it
     * @param list<float> $plain the same by plain matches alone
     */
    public function __construct(public Unit $unit, public array $features, public array $met, public array $plain)
    {
    }
}
