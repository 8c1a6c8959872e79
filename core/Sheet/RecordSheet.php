<?php

declare(strict_types=1);

namespace Ringo\Sheet;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Value\ValueType;

/**
 * The fields calls must leave, kept and exchanged as a JSON Schema (draft 2020-12) of an object.
 *
 * `format` gives the type; `x-phrases` maps enum values (or true and false) to spoken synonyms, `x-labels` to the words they go by,
 * `x-facts` to facts of an option, `x-cues` lists words that announce a field, and `x-from-caller` names the caller's fact that fills it.
 * An array whose items have an `enum` holds as many of its options as were meant.
 * `x-confirm` says how it is read back, `x-bounds` what it must keep to, `x-rest` that it takes whatever else was told.
 * `x-sees` is `owner` where staff do not see the field, `x-keep-days` says after how many days its value is erased.
 */
final readonly class RecordSheet
{
    /** How a value may be read back (`x-confirm`). */
    private const CONFIRM = ['never', 'unsure', 'always', 'spelled', 'digits'];

    /**
     * @param array<string, Field> $fields in order
     * @param array<array-key, mixed> $schema as it was given
     */
    private function __construct(public string $title, public array $fields, private array $schema)
    {
    }

    public static function read(Node $node): self
    {
        $schema = $node->all();
        $required = $node->strings('required');
        if (($schema['type'] ?? 'object') !== 'object') {
            $node->problem('type', 'a record sheet is the schema of an object');
        }
        $fields = [];
        foreach ($node->map('properties') as $key => $property) {
            $key = (string) $key;
            if (preg_match('/^[a-z][a-z0-9_]*$/', $key) !== 1) {
                $property->problem('', 'a field key is lower-case letters, digits and underscores, beginning with a letter');
            }
            $fields[$key] = self::fieldOf($key, $property, in_array($key, $required, true));
        }
        foreach ($required as $key) {
            if (! isset($fields[$key])) {
                $node->problem('required', "“{$key}” is required but is not among the properties");
            }
        }

        return new self($node->string('title', 'Record'), $fields, $schema);
    }

    /** @throws InvalidDocument naming every problem with its path */
    public static function fromArray(mixed $data): self
    {
        if (! is_array($data)) {
            throw new InvalidDocument([['path' => '', 'message' => 'a record sheet is a JSON object']]);
        }
        $node = Node::root($data);
        $sheet = self::read($node);
        $node->settle();

        return $sheet;
    }

    public function field(string $key): ?Field
    {
        return $this->fields[$key] ?? null;
    }

    /** The field that holds who is calling: what is known of a caller as their name fills it, or it is called so. */
    public function callersName(): ?Field
    {
        $named = array_values(array_filter(
            $this->fields,
            static fn (Field $field): bool => $field->type === ValueType::PersonName && $field->fromCaller === 'name',
        ));

        return $this->fields['caller_name'] ?? $named[0] ?? null;
    }

    /** @return array<array-key, mixed> */
    public function toArray(): array
    {
        return $this->schema;
    }

    /** @return list<string> keys of the fields that staff do not see */
    public function ownersOnly(): array
    {
        return array_keys(array_filter($this->fields, static fn (Field $field): bool => $field->ownersOnly));
    }

    /** @return array<string, int> days after the call at which values are erased, by field */
    public function keepDays(): array
    {
        return array_filter(array_map(static fn (Field $field): ?int => $field->keepDays, $this->fields), static fn (?int $days): bool => $days !== null);
    }

    private static function fieldOf(string $key, Node $node, bool $required): Field
    {
        $data = $node->all();
        $type = self::type($node, $data);
        $phrases = is_array($data['x-phrases'] ?? null) ? $data['x-phrases'] : [];
        $options = $type === ValueType::Several ? self::options($node->child('items'), (array) $data['items'] + array_intersect_key($data, ['x-labels' => 1, 'x-phrases' => 1])) : self::options($node, $data);
        $examples = is_array($data['examples'] ?? null) ? $data['examples'] : [];
        $pattern = is_string($data['pattern'] ?? null) ? $data['pattern'] : null;
        if ($pattern !== null && @preg_match('~'.str_replace('~', '\~', $pattern).'~u', '') === false) {
            $node->problem('pattern', 'is not a regular expression');
            $pattern = null;
        }

        if (! in_array($data['x-sees'] ?? 'staff', ['owner', 'staff'], true)) {
            $node->problem('x-sees', 'is “owner” (owners and designers only) or “staff” (all of the business)');
        }
        $days = $data['x-keep-days'] ?? null;
        if ($days !== null && (! is_int($days) || $days < 1 || $days > 3650)) {
            $node->problem('x-keep-days', 'is a whole number of days from 1 to 3650');
            $days = null;
        }

        return new Field(
            key: $key,
            type: $type,
            title: is_string($data['title'] ?? null) ? $data['title'] : ucfirst(str_replace('_', ' ', $key)),
            description: is_string($data['description'] ?? null) ? $data['description'] : '',
            example: isset($examples[0]) && is_scalar($examples[0]) ? (string) $examples[0] : null,
            options: $options,
            pattern: $pattern,
            required: $required,
            cues: self::texts($data['x-cues'] ?? []),
            phrases: $type === ValueType::YesNo ? array_map(self::texts(...), $phrases) : [],
            facts: array_filter(is_array($data['x-facts'] ?? null) ? $data['x-facts'] : [], is_array(...)),
            fromCaller: is_string($data['x-from-caller'] ?? null) ? $data['x-from-caller'] : null,
            ownersOnly: ($data['x-sees'] ?? 'staff') === 'owner',
            keepDays: $days,
            confirm: $node->has('x-confirm') ? $node->oneOf('x-confirm', self::CONFIRM, 'unsure') : null,
            bounds: Bounds::read($node),
            takesRest: ($data['x-rest'] ?? false) === true,
            items: $type === ValueType::Items ? self::items($node) : [],
            examples: array_map(strval(...), array_values(array_filter($examples, is_scalar(...)))),
            whole: $type === ValueType::Number && in_array('integer', (array) ($data['type'] ?? null), true),
        );
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @return list<array{key: string, label: string, phrases: list<string>}>
     */
    private static function options(Node $node, array $data): array
    {
        $labels = is_array($data['x-labels'] ?? null) ? $data['x-labels'] : [];
        $phrases = is_array($data['x-phrases'] ?? null) ? $data['x-phrases'] : [];
        $options = [];
        if (isset($data['enum']) && ! is_array($data['enum'])) {
            $node->problem('enum', 'is a list of texts, one for each option');
        }
        foreach (is_array($data['enum'] ?? null) ? $data['enum'] : [] as $value) {
            if (! is_string($value) && ! is_int($value)) {
                // No value is no option of its own.
                $value === null || $node->problem('enum', 'holds only texts, one for each option');

                continue;
            }
            $value = (string) $value;
            $label = $labels[$value] ?? null;
            if ($label !== null && ! is_scalar($label)) {
                $node->problem('x-labels', "has no text for “{$value}”");
                $label = null;
            }
            $options[] = ['key' => $value, 'label' => (string) ($label ?? str_replace('_', ' ', $value)), 'phrases' => self::texts($phrases[$value] ?? [])];
        }

        return $options;
    }

    /** @return list<Field> what each item of a list holds */
    private static function items(Node $node): array
    {
        $fields = [];
        foreach ($node->child('items')->map('properties') as $key => $property) {
            $fields[] = self::fieldOf($key, $property, false);
        }

        return $fields;
    }

    /** @param array<array-key, mixed> $data */
    private static function type(Node $node, array $data): ValueType
    {
        if (isset($data['enum'])) {
            return ValueType::Choice;
        }
        $kind = $data['type'] ?? 'string';
        if (! is_string($kind) && ! (is_array($kind) && array_is_list($kind) && array_filter($kind, is_string(...)) === $kind)) {
            $node->problem('type', 'is the name of a type, or a list of such names');
            $kind = 'string';
        }
        $kind = is_array($kind) ? (array_values(array_diff($kind, ['null']))[0] ?? 'string') : $kind;
        $format = $data['format'] ?? null;
        $known = is_string($format) ? FieldFormats::ofFormat($format) : null;
        if ($format !== null && $known === null && in_array($kind, ['string', 'object'], true) && ! (is_string($format) && FieldFormats::isPlain($format))) {
            $node->problem('format', 'is not one of '.implode(', ', FieldFormats::formats()));
        }

        return match (true) {
            $known !== null => $known,
            $kind === 'array' && ($data['items']['type'] ?? null) === 'object' => ValueType::Items,
            $kind === 'array' && isset($data['items']['enum']) => ValueType::Several,
            $kind === 'boolean' => ValueType::YesNo,
            in_array($kind, ['number', 'integer'], true) => ValueType::Number,
            default => ValueType::Text,
        };
    }

    /** @return list<string> */
    private static function texts(mixed $value): array
    {
        return is_array($value) ? array_values(array_filter($value, is_string(...))) : (is_string($value) ? [$value] : []);
    }
}
