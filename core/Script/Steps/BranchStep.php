<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\Condition;
use Ringo\Speech\Prompt;

/** Goes one of several ways; the first whose condition holds. */
final readonly class BranchStep implements Step
{
    /** @param list<array{when: Condition, next: string}> $ways */
    public function __construct(private string $key, public array $ways, public string $otherwise)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function kind(): string
    {
        return 'branch';
    }

    public function prompt(): ?Prompt
    {
        return null;
    }

    public function exits(): array
    {
        $exits = array_map(static fn (array $way): array => ['to' => $way['next'], 'label' => $way['when']->inWords()], $this->ways);
        $exits[] = ['to' => $this->otherwise, 'label' => 'otherwise'];

        return $exits;
    }
}
