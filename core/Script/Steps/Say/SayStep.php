<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Say;

use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;
use Ringo\Speech\Prompt;

/** Speaks and goes on. */
final readonly class SayStep extends PlainStep
{
    public function __construct(string $key, public Prompt $prompt, public string $next)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return SayKind::NAME;
    }

    public function prompt(): Prompt
    {
        return $this->prompt;
    }

    public function exits(): array
    {
        return [Way::on($this->next, 'goes straight on')];
    }
}
