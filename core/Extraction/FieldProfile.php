<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** What a field is about, worked out once from its key, title and description, so that talk about it is noticed. */
final readonly class FieldProfile
{
    /**
     * @param array<string, float> $names stems of key and title => weight
     * @param array<string, float> $words further stems of the description => weight
     * @param 'caller'|'other'|'any' $role whose fact it is
     * @param 'past'|'future'|'any' $tense
     * @param 'start'|'end'|null $span which end of a stretch of time or way it is
     * @param array<string, true> $own stems of key and title that no other field of the sheet has
     * @param list<array{true: list<string>, false: list<string>, terms: list<string>}> $facts for yes/no: sayings that tell it
     */
    public function __construct(
        public Field $field,
        public ValueType $type,
        public array $names,
        public array $words,
        public string $role,
        public string $tense,
        public ?string $span,
        public bool $narrative,
        public ?string $namePart,
        public array $facts,
        public ?string $pattern,
        public bool $people,
        public bool $age,
        public ?string $unit = null,
        public array $own = [],
    ) {
    }

    public function key(): string
    {
        return $this->field->key;
    }

    /**
     * @param 'caller'|'other'|'any' $role
     * @param 'start'|'end'|null $span
     */
    public function with(string $role, ?string $span): self
    {
        return new self($this->field, $this->type, $this->names, $this->words, $role, $this->tense, $span, $this->narrative, $this->namePart, $this->facts, $this->pattern, $this->people, $this->age, $this->unit, $this->own);
    }

    /** @param array<string, true> $own */
    public function withOwn(array $own): self
    {
        return new self($this->field, $this->type, $this->names, $this->words, $this->role, $this->tense, $this->span, $this->narrative, $this->namePart, $this->facts, $this->pattern, $this->people, $this->age, $this->unit, $own);
    }

    /** Notes and special requests: left empty unless somebody asks for them. */
    public function extra(): bool
    {
        $title = strtolower($this->field->title.' '.str_replace('_', ' ', $this->field->key));

        return preg_match('/\b(notes?|comments?|special|instructions?|extra|additional|feedback|requirements|anything else)\b/', $title) === 1 && preg_match('/\b(reason|problem|issue)\b/', $title) !== 1;
    }

    /** Days and moments compete with each other for what was said. */
    public function kin(): string
    {
        return match ($this->type) {
            ValueType::Date, ValueType::DateTime => 'day',
            default => $this->type->value,
        };
    }
}
