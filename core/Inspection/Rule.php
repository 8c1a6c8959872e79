<?php

declare(strict_types=1);

namespace Ringo\Inspection;

/** One thing that can be wrong with a design. A false alarm is worse than a missed nicety. */
interface Rule
{
    /** @return iterable<Finding> */
    public function find(Design $design): iterable;
}
