<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Replies;

use Ringo\Dialogue\Ports\Known;

/** The answer to a side question: its words, the rule it comes from, and the step it leads to, if any. */
final readonly class Reply
{
    public function __construct(public string $text, public string $rule, public ?string $to, public ?Known $known = null)
    {
    }

    /** Whether it asks back which of several is meant. */
    public function asksBack(): bool
    {
        return $this->known !== null && $this->known->offers !== [];
    }
}
