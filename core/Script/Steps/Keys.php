<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

/**
 * The keys a kind of step may have: in order, with their schema, their name in comparisons, and what they name.
 *
 * Places that name steps or fields are paths: `next`, `way_out.step`, `options[].next`, `forget[]`, `set{}` (the names of an object),
 * `ways[].when?` (a condition).
 */
final readonly class Keys
{
    /**
     * @param array<string, array{schema: array<string, mixed>, called: string}> $keys
     * @param list<string> $required
     * @param list<string> $steps places that name a step
     * @param list<string> $fields places that name a field
     */
    private function __construct(public array $keys, public array $required, public array $steps, public array $fields)
    {
    }

    public static function none(): self
    {
        return new self([], [], [], []);
    }

    /** @param array<string, mixed> $schema JSON Schema of the value */
    public function with(string $key, array $schema, string $called): self
    {
        return new self([...$this->keys, $key => ['schema' => $schema, 'called' => $called]], $this->required, $this->steps, $this->fields);
    }

    /** A key that must be there. */
    public function requiring(string ...$keys): self
    {
        return new self($this->keys, [...$this->required, ...array_values($keys)], $this->steps, $this->fields);
    }

    /** Places whose value is a step's name. */
    public function leading(string ...$places): self
    {
        return new self($this->keys, $this->required, [...$this->steps, ...array_values($places)], $this->fields);
    }

    /** Places whose value is a field of the record sheet, or looks at one. */
    public function naming(string ...$places): self
    {
        return new self($this->keys, $this->required, $this->steps, [...$this->fields, ...array_values($places)]);
    }

    /** Words said: a text, or variants of one. */
    public function saying(string $key, string $called): self
    {
        return $this->with($key, Schema::ref('words'), $called);
    }

    /** The way on. */
    public function next(string $key = 'next', string $called = 'leads to'): self
    {
        return $this->with($key, Schema::ref('target'), $called)->leading($key);
    }

    /** How often it is tried, and where it leads then. */
    public function wayOut(): self
    {
        return $this->with('tries', Schema::whole(1, 9), 'tries')->with('way_out', Schema::ref('wayOut'), 'way out')->leading('way_out.step');
    }

    public function called(string $key): string
    {
        return $this->keys[$key]['called'] ?? str_replace('_', ' ', $key);
    }

    /** @return list<string> */
    public function order(): array
    {
        return array_keys($this->keys);
    }
}
