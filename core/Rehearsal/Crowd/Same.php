<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** Whether what a call holds is what the caller meant. */
final readonly class Same
{
    /** The part of what was meant that stands in words kept with others around them. */
    private const MOST_WORDS = 0.8;

    public static function value(Field $field, mixed $held, mixed $true): bool
    {
        return match ($field->type) {
            ValueType::Text => is_string($held) && is_string($true) && self::says(self::plain($held), self::plain($true)),
            ValueType::PersonName, ValueType::PostalAddress => is_string($held) && is_string($true) && self::plain($held) === self::plain($true),
            ValueType::Duration => is_string($held) && is_string($true) && self::days($held) === self::days($true),
            ValueType::Money => is_array($held) && is_array($true) && (float) ($held['amount'] ?? -1) === (float) ($true['amount'] ?? -2),
            ValueType::Several => is_array($held) && is_array($true) && array_diff($held, $true) === [] && array_diff($true, $held) === [],
            default => $held == $true,
        };
    }

    /** Words kept whole, with more around them, or without what only leads up to them. */
    private static function says(string $held, string $true): bool
    {
        if (str_contains($held, $true) || $held !== '' && str_contains($true, $held) && 2 * strlen($held) >= strlen($true)) {
            return true;
        }
        $words = explode(' ', $true);

        return count(array_intersect($words, explode(' ', $held))) >= self::MOST_WORDS * count($words);
    }

    /** A week is seven days. */
    private static function days(string $duration): string
    {
        return preg_match('/^P(\d+)W$/', $duration, $m) === 1 ? 'P'.(7 * (int) $m[1]).'D' : $duration;
    }

    private static function plain(string $text): string
    {
        return trim((string) preg_replace('/[^a-z0-9]+/', ' ', mb_strtolower($text)));
    }
}
