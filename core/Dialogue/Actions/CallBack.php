<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** A call-back that was promised. */
final readonly class CallBack implements Action
{
    /**
     * @param string $target team:, person: or number: who should have taken the call; empty for whoever is free
     * @param string $number E.164
     * @param string $at local date and time of the business
     * @param string $why why the call was handed over
     */
    public function __construct(public string $target, public string $number, public ?string $name, public string $at, public string $why)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'call_back', 'target' => $this->target, 'number' => $this->number, 'name' => $this->name, 'at' => $this->at, 'why' => $this->why];
    }
}
