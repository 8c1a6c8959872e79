<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Speech\Prompt;

/** One move of a script. */
interface Step
{
    public function key(): string;

    /** The kind by its word in the script: say, ask, choose, listen, branch, note, finish. */
    public function kind(): string;

    public function prompt(): ?Prompt;

    /** @return list<array{to: string, label: string}> every step this one may lead to, in reading order, and when */
    public function exits(): array;
}
