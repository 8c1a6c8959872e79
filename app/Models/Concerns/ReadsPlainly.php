<?php

declare(strict_types=1);

namespace App\Models\Concerns;

/**
 * None of our models changes an attribute on its way in or out but by its casts. The framework looks for methods that would, by name and
 * by type, for each attribute of each model in each request: two milliseconds of a turn.
 */
trait ReadsPlainly
{
    /** @var ?array<string, string> what each attribute is cast to; the framework puts it together anew for each attribute it looks at */
    private ?array $plainCasts = null;

    /** @var array<string, array{string, mixed}> as it is written, and as it reads, by attribute */
    private array $readArrays = [];

    /** @return array<string, string> */
    public function getCasts(): array
    {
        return $this->plainCasts ??= parent::getCasts();
    }

    /** @param array<string, string> $casts */
    public function mergeCasts($casts): static
    {
        $this->plainCasts = null;

        return parent::mergeCasts($casts);
    }

    /**
     * An array is read once as long as it stands as it is written: the state of a call is looked at five times in a turn.
     *
     * @param string $key
     * @param mixed $value
     */
    protected function castAttribute($key, $value): mixed
    {
        if (! is_string($value) || ($this->getCasts()[$key] ?? null) !== 'array') {
            return parent::castAttribute($key, $value);
        }
        if (($this->readArrays[$key][0] ?? null) !== $value) {
            $this->readArrays[$key] = [$value, parent::castAttribute($key, $value)];
        }

        return $this->readArrays[$key][1];
    }

    /** Arrays are compared as they are written, and not read twice for it: the state of a call is long. */
    public function originalIsEquivalent($key): bool
    {
        if (($this->getCasts()[$key] ?? null) === 'array') {
            return array_key_exists($key, $this->original) && ($this->attributes[$key] ?? null) === $this->original[$key];
        }

        return parent::originalIsEquivalent($key);
    }

    /** Most relations are their child with an s; the others ask the framework, which needs a millisecond to know English. */
    protected function childRouteBindingRelationshipName($childType): string
    {
        $name = lcfirst(str_replace(' ', '', ucwords(str_replace('_', ' ', $childType)))).'s';

        return method_exists($this, $name) ? $name : parent::childRouteBindingRelationshipName($childType);
    }

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
