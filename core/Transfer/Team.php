<?php

declare(strict_types=1);

namespace Ringo\Transfer;

/** A team as a specialist describes it in plain words. */
final readonly class Team
{
    /**
     * @param list<string> $examples sayings that mean this team; optional
     * @param bool $default whether callers nobody else fits come here
     */
    public function __construct(public string $key, public string $name, public string $description, public array $examples = [], public bool $default = false)
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws \InvalidArgumentException saying what is missing
     */
    public static function fromArray(array $data): self
    {
        foreach (['key', 'name'] as $key) {
            if (! is_string($data[$key] ?? null) || trim($data[$key]) === '') {
                throw new \InvalidArgumentException("“{$key}” is missing or no text");
            }
        }
        $examples = $data['examples'] ?? $data['phrases'] ?? [];

        return new self(trim($data['key']), trim($data['name']), is_string($data['description'] ?? null) ? trim($data['description']) : '', is_array($examples) ? array_values(array_filter($examples, is_string(...))) : [], (bool) ($data['default'] ?? false));
    }

    /** @param list<string> $more further sayings that mean this team */
    public function withExamples(array $more): self
    {
        return new self($this->key, $this->name, $this->description, [...$this->examples, ...$more], $this->default);
    }

    /** How the team is called in a question: the telling part of its description, else its name. */
    public function asked(): string
    {
        $first = (preg_split('/[.;:]|\s[–—-]\s/u', $this->description) ?: [''])[0];

        return trim($first) === '' ? $this->name : trim($first);
    }
}
