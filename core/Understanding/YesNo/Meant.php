<?php

declare(strict_types=1);

namespace Ringo\Understanding\YesNo;

/** How likely a reply means yes, no, or neither. */
final readonly class Meant
{
    public function __construct(public float $yes, public float $no, public float $neither)
    {
    }

    public function leans(): bool
    {
        return $this->yes >= $this->no;
    }

    /** How sure of whichever of yes and no is likelier. */
    public function sureness(): float
    {
        return max($this->yes, $this->no);
    }
}
