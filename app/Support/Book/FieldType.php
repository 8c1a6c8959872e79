<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Value\ValueType;

/** Value types as a specialist chooses them, and as the JSON Schema of a record sheet writes them. */
final readonly class FieldType
{
    public const NAMES = [
        'text' => 'their own words', 'person_name' => 'a person’s name', 'phone' => 'a telephone number', 'email' => 'an e-mail address', 'date' => 'a date', 'time' => 'a time', 'datetime' => 'a date and time',
        'number' => 'a number', 'money' => 'an amount of money', 'duration' => 'a length of time', 'reference' => 'a reference', 'yes_no' => 'yes or no', 'choice' => 'one of several', 'postal_address' => 'an address',
    ];

    private const FORMATS = ['person_name' => 'person-name', 'phone' => 'phone', 'email' => 'email', 'date' => 'date', 'time' => 'time', 'datetime' => 'date-time', 'money' => 'money', 'duration' => 'duration', 'reference' => 'reference', 'postal_address' => 'postal-address'];

    /** @return array<string, string> */
    public static function schema(ValueType $type): array
    {
        return match (true) {
            $type === ValueType::YesNo => ['type' => 'boolean'],
            $type === ValueType::Number => ['type' => 'number'],
            isset(self::FORMATS[$type->value]) => ['type' => 'string', 'format' => self::FORMATS[$type->value]],
            default => ['type' => 'string'],
        };
    }

    /** A key from words: 'Delivery address' becomes delivery_address. */
    public static function key(string $words): string
    {
        $ascii = (string) preg_replace('/[^a-z0-9]+/', '_', mb_strtolower(transliterator_transliterate('Any-Latin; Latin-ASCII', $words) ?: $words));
        $key = substr(trim($ascii, '_'), 0, 50);

        return $key === '' || ctype_alpha($key[0]) ? rtrim($key, '_') : 'n_'.rtrim($key, '_');
    }
}
