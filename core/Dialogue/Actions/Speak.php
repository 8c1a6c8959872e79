<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Actions;

/** Speaks a line; `seconds` is how long it takes. */
final readonly class Speak implements Action
{
    public function __construct(public string $text, public string $ssml, public float $seconds, public bool $interruptible, public ?string $step)
    {
    }

    public function toArray(): array
    {
        return ['do' => 'speak', 'text' => $this->text, 'ssml' => $this->ssml, 'seconds' => $this->seconds, 'interruptible' => $this->interruptible, 'step' => $this->step];
    }
}
