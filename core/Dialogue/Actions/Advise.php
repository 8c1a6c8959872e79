<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

use Ringo\Advice\Doubt;

/** Asks for a second opinion; it comes as an event that names the same id. */
final readonly class Advise implements Action
{
    /** @param string $id of the opinion in this call */
    public function __construct(public string $id, public Doubt $doubt)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'advise', 'id' => $this->id, 'doubt' => $this->doubt->toArray()];
    }
}
