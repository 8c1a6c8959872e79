<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** An answer prepared for trying a script without the other system: what comes back, and after how long. */
final readonly class Kept
{
    public const USUAL_SECONDS = 0.4;

    /** @param float $seconds until it is there */
    public function __construct(public Reply $reply, public float $seconds = self::USUAL_SECONDS)
    {
    }

    /** As it comes to a call that does not wait for ever. */
    public function within(float $limit): self
    {
        return $this->seconds > $limit ? new self(Reply::slow($limit), $limit) : $this;
    }
}
