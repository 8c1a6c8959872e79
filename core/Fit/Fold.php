<?php

declare(strict_types=1);

namespace Ringo\Fit;

/** Which trades the training never sees, so that figures on them are figures on strangers. */
final class Fold
{
    /** One trade of so many is left out. */
    private const OF = 5;

    public static function heldOut(string $trade): bool
    {
        return crc32($trade) % self::OF === 0;
    }
}
