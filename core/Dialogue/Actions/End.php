<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Ends the call with an outcome. */
final readonly class End implements Action
{
    public function __construct(public string $outcome)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'end', 'outcome' => $this->outcome];
    }
}
