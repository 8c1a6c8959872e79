<?php

declare(strict_types=1);

namespace App\Support\Search;

use Illuminate\Support\Facades\DB;

/**
 * The words of the values of records, each with the field it stands in: a field is searched without reading the others, and what somebody
 * may not see cannot be found. The row of a record in SQLite's full-text index has the number of its call.
 */
final class RecordSearch
{
    private const TABLE = 'record_search';

    /** Before a word of any field. */
    private const ANY = '=';

    /** @param array<array-key, array<string, mixed>> $cells of a record */
    public static function put(int $call, array $cells): void
    {
        if (FullText::there()) {
            self::drop([$call]);
            DB::table(self::TABLE)->insert(['rowid' => $call, 'words' => self::tokens($cells)]);
        }
    }

    /** @param list<int> $calls */
    public static function drop(array $calls): void
    {
        if (FullText::there()) {
            DB::table(self::TABLE)->whereIn('rowid', $calls)->delete();
        }
    }

    /** Calls whose record holds a value in which all words stand, each as a beginning. */
    public static function inField(string $field, string $words): ?Found
    {
        return self::matching(array_map(static fn (string $word): string => FullText::beginning($field.'='.$word), self::asked($words)));
    }

    /**
     * Calls whose record holds all the words, each as a beginning.
     *
     * @param ?non-empty-list<string> $fields where else than in all of them
     */
    public static function inAny(string $words, ?array $fields = null): ?Found
    {
        $parts = [];
        foreach (self::asked($words) as $word) {
            $anywhere = array_map(static fn (string $field): string => FullText::beginning($field.'='.$word), $fields ?? []);
            $parts[] = $fields === null ? FullText::beginning(self::ANY.$word) : '('.implode(' OR ', $anywhere).')';
        }

        return self::matching($parts);
    }

    /**
     * @param list<string> $parts
     *
     * @return ?Found null where there is no index, or nothing to look for in it
     */
    private static function matching(array $parts): ?Found
    {
        if ($parts === [] || ! FullText::there()) {
            return null;
        }

        return new Found(DB::table(self::TABLE)->select('rowid')->whereRaw(self::TABLE.' MATCH ?', [implode(' AND ', $parts)]), 'rowid');
    }

    /** @param array<array-key, array<string, mixed>> $cells */
    public static function tokens(array $cells): string
    {
        $tokens = [];
        foreach ($cells as $field => $cell) {
            $value = $cell['value'] ?? null;
            $plain = implode(' ', array_filter(is_array($value) ? $value : [$value], is_scalar(...)));
            foreach (self::split(($cell['display'] ?? '').' '.$plain) as $word) {
                $tokens[self::ANY.$word] = $tokens[$field.'='.$word] = true;
            }
        }

        return implode(' ', array_map(strval(...), array_keys($tokens)));
    }

    /** @return list<string> no more than a search asks for */
    private static function asked(string $words): array
    {
        return array_slice(self::split($words), 0, FullText::MOST_WORDS);
    }

    /** @return list<string> */
    private static function split(string $text): array
    {
        $words = preg_split('/[^\pL\pN\pM]+/u', mb_strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_unique($words));
    }
}
