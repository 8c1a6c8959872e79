<?php

declare(strict_types=1);

namespace Ringo\Sheet;

use Ringo\Value\ValueType;

/** The one table of what a field may hold: its type, how a record sheet writes it, and what pages call it. */
final readonly class FieldFormats
{
    /** `format` of JSON Schema by type; types that are not here have none. */
    private const FORMATS = [
        'person_name' => 'person-name', 'phone' => 'phone', 'email' => 'email', 'date' => 'date', 'time' => 'time', 'datetime' => 'date-time',
        'money' => 'money', 'duration' => 'duration', 'reference' => 'reference', 'postal_address' => 'postal-address',
    ];

    /** What each type is called on a page. */
    public const WORDS = [
        'text' => 'free text', 'person_name' => 'name of a person', 'phone' => 'phone number', 'email' => 'e-mail address', 'date' => 'day', 'time' => 'time',
        'datetime' => 'day and time', 'number' => 'number', 'money' => 'sum of money', 'duration' => 'length of time', 'reference' => 'reference', 'yes_no' => 'yes or no',
        'choice' => 'one of several', 'postal_address' => 'address', 'several' => 'several of a list', 'items' => 'list of items',
    ];

    /** Formats that need no reading of their own. */
    private const PLAIN = ['text', 'uri', 'hostname'];

    public static function ofFormat(string $format): ?ValueType
    {
        $type = array_search($format, self::FORMATS, true);

        return $type === false ? null : ValueType::from($type);
    }

    public static function isPlain(string $format): bool
    {
        return in_array($format, self::PLAIN, true);
    }

    /** @return list<string> */
    public static function formats(): array
    {
        return array_values(self::FORMATS);
    }

    /** The type as forms name it: its format, else its name with hyphens. */
    public static function kind(ValueType $type): string
    {
        return self::FORMATS[$type->value] ?? str_replace('_', '-', $type->value);
    }

    /** @return array<string, string> words by kind, lists of items aside: those are made by a step */
    public static function kinds(): array
    {
        $kinds = [];
        foreach (self::WORDS as $type => $words) {
            $kinds[self::kind(ValueType::from($type))] = $words;
        }

        return $kinds;
    }

    /** @return array<string, mixed> how a record sheet writes a field of that type */
    public static function schema(ValueType $type): array
    {
        return match (true) {
            $type === ValueType::YesNo => ['type' => 'boolean'],
            $type === ValueType::Number => ['type' => 'number'],
            $type === ValueType::Several => ['type' => 'array', 'items' => ['enum' => []]],
            $type === ValueType::Items => ['type' => 'array', 'items' => ['type' => 'object', 'properties' => new \stdClass]],
            isset(self::FORMATS[$type->value]) => ['type' => 'string', 'format' => self::FORMATS[$type->value]],
            default => ['type' => 'string'],
        };
    }
}
