<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** What most steps have in common: a name, one line to say, and that nobody is waited for. */
abstract readonly class PlainStep implements Step
{
    public function __construct(private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function prompt(): ?Prompt
    {
        return null;
    }

    public function lines(): array
    {
        return Words::of(Words::PROMPT, $this->prompt());
    }

    public function waits(): bool
    {
        return false;
    }

    public function asks(): array
    {
        return [];
    }

    public function sets(): array
    {
        return $this->asks();
    }

    public function wayOut(): ?WayOut
    {
        return null;
    }

    public function ends(): bool
    {
        return $this->wayOut()?->then === WayOut::FINISH;
    }
}
