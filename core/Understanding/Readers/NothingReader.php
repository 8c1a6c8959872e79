<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;

/** Reads nothing: lists are made of what their parts' readers found, round by round. */
final readonly class NothingReader implements Reader
{
    public function read(Heard $heard, Context $context): Reading
    {
        return Reading::none();
    }
}
