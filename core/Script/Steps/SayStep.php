<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Speaks and goes on. */
final readonly class SayStep implements Step
{
    public function __construct(private string $key, public Prompt $prompt, public string $next)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'say';
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [['to' => $this->next, 'label' => 'goes straight on']];
    }
}
