<?php

declare(strict_types=1);

namespace Ringo\Understanding;

/** A number found in a token list: its value, how many tokens it took, and whether it was written in digits. */
final readonly class Numeral
{
    public function __construct(public float $value, public int $length, public bool $digits, public string $written = '')
    {
    }

    public function isWhole(): bool
    {
        return floor($this->value) === $this->value;
    }

    public function whole(): int
    {
        return (int) $this->value;
    }

    /** The value as it is exchanged: an integer where it is whole. */
    public function plain(): int|float
    {
        return $this->isWhole() && abs($this->value) < 1e15 ? (int) $this->value : round($this->value, 6);
    }
}
