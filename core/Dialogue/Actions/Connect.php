<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Connects the caller with somebody who took the call. */
final readonly class Connect implements Action
{
    public function __construct(public string $person, public string $name, public float $after)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'connect', 'person' => $this->person, 'name' => $this->name, 'after' => $this->after];
    }
}
