<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/** How long a call may go on, so that no path loops for ever. */
final readonly class Limits
{
    public function __construct(public int $turns = 80, public int $minutes = 20, public int $repeats = 6)
    {
    }

    public static function read(Node $node): self
    {
        $limits = new self(
            (int) $node->number('turns', 80, 4, 500),
            (int) $node->number('minutes', 20, 1, 120),
            (int) $node->number('repeats', 6, 2, 50),
        );
        $node->noMore();

        return $limits;
    }
}
