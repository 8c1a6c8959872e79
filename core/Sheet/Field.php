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
     * @param bool $ownersOnly staff of the business do not see it
     * @param ?string $confirm how its value is read back where a question does not say it: never, unsure, always, spelled or digits
     * @param ?Bounds $bounds what its value must keep to
     * @param bool $takesRest a text that takes whatever else the caller told
     * @param list<self> $items fields that each item of a list holds
     * @param bool $whole a number that is a whole one (`type: integer`)
     * @param list<string> $examples all of them; `example` is the first
     * @param ?int $keepDays how many days after the call its value is erased, 1 to 3650; null: with the call
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
        public bool $ownersOnly = false,
        public ?int $keepDays = null,
        public ?string $confirm = null,
        public ?Bounds $bounds = null,
        public bool $takesRest = false,
        public array $items = [],
        public array $examples = [],
        public bool $whole = false,
    ) {
    }

    /** Whether it is read from words the same way as the other: who sees it and how long it is kept do not matter. */
    public function readsLike(self $other): bool
    {
        $reading = static fn (self $field): array => array_diff_key(get_object_vars($field), ['ownersOnly' => true, 'keepDays' => true, 'confirm' => true, 'bounds' => true, 'takesRest' => true]);

        return $reading($this) == $reading($other);
    }

    public function typed(mixed $value): Typed
    {
        if ($this->type === ValueType::Items) {
            return new Typed($this->type, array_map($this->item(...), is_array($value) ? array_values(array_filter($value, is_array(...))) : []));
        }

        if ($this->type === ValueType::Several) {
            return new Typed($this->type, $value, implode(', ', array_map(fn (mixed $key): string => $this->label(is_scalar($key) ? (string) $key : ''), is_array($value) ? array_values($value) : [])));
        }

        return new Typed($this->type, $value, $this->type === ValueType::Choice ? $this->label((string) (is_scalar($value) ? $value : '')) : null);
    }

    /**
     * @param array<array-key, mixed> $item
     *
     * @return list<Typed> what it holds, in the order of its fields
     */
    private function item(array $item): array
    {
        $parts = [];
        foreach ($this->items as $field) {
            if (isset($item[$field->key])) {
                $parts[] = $field->typed($item[$field->key]);
            }
        }

        return $parts;
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
