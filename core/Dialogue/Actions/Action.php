<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Something the agent does: speak, listen, or end the call. */
interface Action
{
    /** @return array<string, mixed> */
    public function toArray(): array;
}
