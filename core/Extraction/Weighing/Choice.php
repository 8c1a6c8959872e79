<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

/** The likeliest value of a field, with the candidate that tells it best, and how likely it is that it, and not another or none, is right. */
final readonly class Choice
{
    public function __construct(public Candidate $candidate, public float $likelihood)
    {
    }
}
