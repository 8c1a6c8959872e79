<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/** Where a question leads that cannot be answered: leave it empty and go on, go to a step, or finish. */
final readonly class WayOut
{
    private function __construct(public string $then, public ?string $step = null, public ?string $outcome = null)
    {
    }

    public static function leave(): self
    {
        return new self('leave');
    }

    public static function read(Node $parent): self
    {
        if (! $parent->has('way_out')) {
            return self::leave();
        }
        $node = $parent->child('way_out');
        $then = $node->oneOf('then', ['leave', 'go', 'finish'], 'leave');
        $step = $then === 'go' ? $node->string('step') : null;
        $outcome = $then === 'finish' ? $node->string('outcome', 'gave up') : null;
        $node->noMore();

        return new self($then, $step, $outcome);
    }
}
