<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Script\Steps\Step;

/** The runner of each kind of step. */
final readonly class Runners
{
    /** @param array<string, StepRunner> $runners by kind */
    public function __construct(private array $runners)
    {
    }

    public function of(Step $step): StepRunner
    {
        return $this->runners[$step->kind()] ?? throw new \LogicException("Nothing runs a step of the kind “{$step->kind()}”.");
    }

    /** The runner of a step at which the caller is waited for; null where nobody is. */
    public function asking(Step $step): ?AskingRunner
    {
        $runner = $this->of($step);

        return $runner instanceof AskingRunner ? $runner : null;
    }

    /** @return list<string> */
    public function kinds(): array
    {
        return array_keys($this->runners);
    }
}
