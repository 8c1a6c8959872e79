<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\Speak;

/** The result of one step of a call: the new state, what to do in order, and why. */
final readonly class Outcome
{
    /** @param list<Action> $actions */
    public function __construct(public CallState $state, public array $actions, public Trace $trace)
    {
    }

    public function spoken(): string
    {
        return implode(' ', array_map(static fn (Action $action): string => $action instanceof Speak ? $action->text : '', array_filter($this->actions, static fn (Action $action): bool => $action instanceof Speak)));
    }
}
