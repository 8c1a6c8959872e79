<?php

declare(strict_types=1);

namespace Ringo\Sheet;

use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** A fact that calls of an agent must leave: its key, type and what a reader needs to find it. */
final readonly class Field
{
    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options of a choice
     * @param list<string> $cues words that announce the field when it is volunteered ('my account number is')
     * @param array<string, list<string>> $phrases for yes/no: spoken phrases that mean 'true' or 'false' unasked
     * @param array<string, array<string, scalar>> $facts of an option, for prompts: `[equipment.day_rate]`
     * @param ?string $fromCaller the caller's fact that fills the field before it is asked; `number` is the number calling
     */
    public function __construct(
        public string $key,
        public ValueType $type,
        public string $title,
        public string $description = '',
        public ?string $example = null,
        public array $options = [],
        public ?string $pattern = null,
        public bool $required = false,
        public array $cues = [],
        public array $phrases = [],
        public array $facts = [],
        public ?string $fromCaller = null,
    ) {
    }

    public function typed(mixed $value): Typed
    {
        return new Typed($this->type, $value, $this->type === ValueType::Choice ? $this->label((string) (is_scalar($value) ? $value : '')) : null);
    }

    public function label(string $key): string
    {
        foreach ($this->options as $option) {
            if ($option['key'] === $key) {
                return $option['label'];
            }
        }

        return str_replace('_', ' ', $key);
    }
}
