<?php

declare(strict_types=1);

namespace App\Support\Book;

/** Keys made from words. */
final readonly class FieldType
{
    private const LONGEST = 50;

    /** A key from words: 'Delivery address' becomes delivery_address. */
    public static function key(string $words): string
    {
        $ascii = (string) preg_replace('/[^a-z0-9]+/', '_', mb_strtolower(transliterator_transliterate('Any-Latin; Latin-ASCII', $words) ?: $words));
        $key = substr(trim($ascii, '_'), 0, self::LONGEST);

        return $key === '' || ctype_alpha($key[0]) ? rtrim($key, '_') : 'n_'.rtrim($key, '_');
    }
}
