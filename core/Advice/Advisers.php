<?php

declare(strict_types=1);

namespace Ringo\Advice;

/** Who gives opinions in a rehearsal: answers that were kept, so that a call stays the same for ever. */
interface Advisers
{
    /** @return array{Opinion, float} what it says, and the seconds that takes */
    public function opinion(Doubt $doubt): array;
}
