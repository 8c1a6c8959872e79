<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Rings people for a transfer; the caller waits, or is connected at once when somebody picks up. */
final readonly class Ring implements Action
{
    /**
     * @param string $target team:, person: or number:
     * @param list<string> $people keys of people, or `number:+44…`
     * @param array<string, mixed> $announcement summary, record so far, why it came
     */
    public function __construct(public string $target, public array $people, public int $seconds, public string $how, public array $announcement)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'ring', 'target' => $this->target, 'people' => $this->people, 'seconds' => $this->seconds, 'how' => $this->how, 'announcement' => $this->announcement];
    }
}
