<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Waits for the caller: for what, how many seconds before it counts as silence, and which keys mean something. */
final readonly class Listen implements Action
{
    public function __construct(public string $for, public float $timeout, public string $keys, public ?string $step)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'listen', 'for' => $this->for, 'timeout' => $this->timeout, 'keys' => $this->keys, 'step' => $this->step];
    }
}
