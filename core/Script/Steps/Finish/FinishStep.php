<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Finish;

use Ringo\Script\Steps\PlainStep;
use Ringo\Speech\Prompt;

/** Last words, outcome, hang up. Its outcome counts where the call has reached none before. */
final readonly class FinishStep extends PlainStep
{
    public function __construct(string $key, public Prompt $prompt, public ?string $outcome)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return FinishKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [];
    }

    public function ends(): bool
    {
        return true;
    }
}
