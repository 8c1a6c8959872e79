<?php

declare(strict_types=1);

namespace App\Actions\Design;

use Ringo\Design\Change;

/** Somebody else changed the same part of a draft in the meantime. Nothing was written over. */
final class DraftMoved extends \RuntimeException
{
    /** @param list<Change> $changes what the other did */
    public function __construct(public readonly string $by, public readonly int $version, public readonly array $changes)
    {
        parent::__construct("{$by} has changed this in the meantime. Your change was not used and nothing was written over.");
    }
}
