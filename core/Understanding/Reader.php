<?php

declare(strict_types=1);

namespace Ringo\Understanding;

/** Reads values of one type out of what was heard. */
interface Reader
{
    public function read(Heard $heard, Context $context): Reading;
}
