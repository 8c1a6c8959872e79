<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

/** A day or a time of day found in a token list: what, where, how many tokens. */
final readonly class Span
{
    public function __construct(public Day|Clock|\DateTimeImmutable $what, public int $from, public int $length)
    {
    }

    public function end(): int
    {
        return $this->from + $this->length;
    }
}
