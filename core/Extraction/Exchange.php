<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Understanding\Heard;

/** What the other side said, and what the caller said to it. */
final readonly class Exchange
{
    /**
     * @param string $asked all the other side said since the caller spoke last; '' where the caller speaks first
     * @param int $turn the caller's turn
     * @param bool $goesOn whether the other side only made listening noises, so that the question before is still open
     */
    public function __construct(public string $asked, public Heard $heard, public int $turn, public bool $goesOn, public bool $keys = false)
    {
    }
}
