<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;
use Ringo\Value\ValueType;

/** A value read from an answer: where it stands there, and what it is called afterwards. */
final readonly class Sought
{
    /**
     * @param string $label what it is, in words: 'what is on hire'
     * @param string $path into the answer (`hire.lines[0].item`), or the column of a table
     * @param bool $required an answer without it counts as failed
     */
    public function __construct(public string $key, public string $label, public ValueType $type, public string $path, public bool $required)
    {
    }

    public static function read(Node $node): self
    {
        $key = Key::read($node);
        $sought = new self($key, $node->string('label', str_replace('_', ' ', $key)), Key::type($node), $node->string('path', $key), $node->flag('required', false));
        $node->noMore();

        return $sought;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'type' => $this->type->value, 'path' => $this->path] + ($this->required ? ['required' => true] : []);
    }
}
