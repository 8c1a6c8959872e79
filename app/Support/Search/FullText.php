<?php

declare(strict_types=1);

namespace App\Support\Search;

use Illuminate\Support\Facades\DB;

/** How SQLite's full-text index is asked. */
final class FullText
{
    /** Words of a search beyond these are one, or are not looked for. */
    public const MOST_WORDS = 12;

    /** Other databases have none: there the rows are looked through. */
    public static function there(): bool
    {
        return DB::getDriverName() === 'sqlite';
    }

    /** @return list<string> */
    public static function words(string $text): array
    {
        return array_values(array_filter(preg_split('/\s+/', trim($text), self::MOST_WORDS) ?: [], static fn (string $word): bool => $word !== ''));
    }

    /** @param list<string> $words all of which must stand there, each as a beginning */
    public static function all(array $words): string
    {
        return implode(' ', array_map(self::beginning(...), $words));
    }

    /** Quoted, so that nothing typed is read as syntax of the search. */
    public static function beginning(string $word): string
    {
        return '"'.str_replace('"', '', $word).'"*';
    }
}
