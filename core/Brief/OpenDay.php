<?php

declare(strict_types=1);

namespace Ringo\Brief;

/** When a business is open on one day, and why where it is not as in an ordinary week. */
final readonly class OpenDay
{
    /**
     * @param list<array{int, int}> $open stretches in minutes of the day, half open; none where it is closed
     * @param string $why what makes the day another than usual: a holiday, a closure, a season; empty on an ordinary day
     * @param bool $usual whether it is as the week says
     */
    public function __construct(public array $open, public string $why, public bool $usual)
    {
    }
}
