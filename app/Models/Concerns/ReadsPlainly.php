<?php

declare(strict_types=1);

namespace App\Models\Concerns;

/**
 * None of our models changes an attribute on its way in or out but by its casts. The framework looks for methods that would, by name and
 * by type, for each attribute of each model in each request: two milliseconds of a turn.
 */
trait ReadsPlainly
{
    public function hasGetMutator($key): bool
    {
        return false;
    }

    public function hasSetMutator($key): bool
    {
        return false;
    }

    public function hasAttributeMutator($key): bool
    {
        return false;
    }

    public function hasAttributeGetMutator($key): bool
    {
        return false;
    }

    public function hasAttributeSetMutator($key): bool
    {
        return false;
    }
}
