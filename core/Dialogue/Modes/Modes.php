<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;

/** The handler of each mode. */
final readonly class Modes
{
    /** @param array<string, ModeHandler> $handlers by mode */
    public function __construct(private array $handlers)
    {
    }

    public function now(Turn $turn): ModeHandler
    {
        return $this->of($turn->state->mode);
    }

    public function of(Mode $mode): ModeHandler
    {
        return $this->handlers[$mode->value] ?? throw new \LogicException("Nothing handles the mode “{$mode->value}”.");
    }
}
