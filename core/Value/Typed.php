<?php

declare(strict_types=1);

namespace Ringo\Value;

/** A value together with its type and, for a choice, the words its option goes by (several with commas between). */
final readonly class Typed
{
    public function __construct(public ValueType $type, public mixed $value, public ?string $label = null)
    {
    }

    public function isEmpty(): bool
    {
        return $this->value === null || $this->value === '' || $this->value === [];
    }
}
