<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Asks for an errand to be run; its answer comes as an event that names the same id. */
final readonly class LookUp implements Action
{
    /**
     * @param string $id of this errand in this call; the same errand asked again after a fault has the same
     * @param string $errand key
     * @param array<string, mixed> $values of its parameters
     * @param float $seconds after which it counts as too slow
     * @param bool $waits whether the call waits for the answer
     */
    public function __construct(public string $id, public string $errand, public array $values, public float $seconds, public bool $changes, public ?string $step, public bool $waits = true)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'look_up', 'id' => $this->id, 'errand' => $this->errand, 'values' => $this->values, 'seconds' => $this->seconds, 'changes' => $this->changes, 'step' => $this->step] + ($this->waits ? [] : ['waits' => false]);
    }
}
