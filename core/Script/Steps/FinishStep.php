<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** Last words, outcome, hang up. */
final readonly class FinishStep implements Step
{
    public function __construct(private string $key, public Prompt $prompt, public ?string $outcome)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'finish';
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [];
    }
}
