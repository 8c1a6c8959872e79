<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;
use Ringo\Value\ValueType;

/** Something an errand must be told: what it means, and where a call has it from. */
final readonly class Parameter
{
    /**
     * @param string $label what it is, as a caller would be asked for it: 'the number of the contract'
     * @param ?string $from a field, or a path of what a call knows: caller.account, call.date
     * @param scalar|null $value the same in every call; then nothing is taken from the call
     * @param bool $required without it the errand does not run; the caller is asked for it
     */
    public function __construct(public string $key, public string $label, public ValueType $type, public ?string $from, public string|int|float|bool|null $value, public bool $required)
    {
    }

    public static function read(Node $node): self
    {
        $key = Key::read($node);
        $value = $node->raw('value');
        if ($value !== null && ! is_scalar($value)) {
            $node->problem('value', 'must be a text, a number, or true or false');
            $value = null;
        }
        $parameter = new self($key, $node->string('label', str_replace('_', ' ', $key)), Key::type($node), $node->optional('from') ?? ($value === null ? $key : null), $value, $node->flag('required', true));
        $node->noMore();

        return $parameter;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'type' => $this->type->value]
            + ($this->value === null ? ['from' => $this->from] : ['value' => $this->value])
            + ($this->required ? [] : ['required' => false]);
    }
}
