<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Branch;

use Ringo\Script\Condition;
use Ringo\Script\Steps\PlainStep;
use Ringo\Script\Steps\Way;

/** Goes one of several ways; the first whose condition holds. */
final readonly class BranchStep extends PlainStep
{
    /** @param list<array{when: Condition, next: string}> $ways */
    public function __construct(string $key, public array $ways, public string $otherwise)
    {
        parent::__construct($key);
    }

    public function kind(): string
    {
        return BranchKind::NAME;
    }

    public function exits(): array
    {
        $exits = [];
        $denied = [];
        foreach ($this->ways as $way) {
            $exits[] = Way::option($way['next'], $way['when']->inWords(), [...$way['when']->ensures(), ...$denied]);
            $denied = [...$denied, ...$way['when']->ensuredWithout()];
        }
        $exits[] = Way::on($this->otherwise, 'otherwise', $denied);

        return $exits;
    }
}
