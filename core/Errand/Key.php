<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Document\Node;
use Ringo\Value\ValueType;

/** What several parts of an errand are read by: a readable key and a type of value. */
final readonly class Key
{
    private const PATTERN = '/^[a-z][a-z0-9_]*$/';

    public static function read(Node $node): string
    {
        $key = $node->string('key');
        if ($key !== '' && preg_match(self::PATTERN, $key) !== 1) {
            $node->problem('key', "“{$key}” is no key; use lower-case letters, digits and underscores, beginning with a letter");
        }

        return $key;
    }

    public static function type(Node $node): ValueType
    {
        $types = array_values(array_filter(array_column(ValueType::cases(), 'value'), static fn (string $type): bool => ! in_array($type, [ValueType::Items->value, ValueType::Several->value], true)));

        return ValueType::from($node->oneOf('type', $types, ValueType::Text->value));
    }
}
