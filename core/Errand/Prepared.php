<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** Who answers the errands of a call: another system, a table, or an answer that was kept. */
interface Prepared
{
    /** @param array<string, mixed> $values of the errand's parameters */
    public function reply(Errand $errand, array $values): Kept;
}
