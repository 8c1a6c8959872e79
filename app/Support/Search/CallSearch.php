<?php

declare(strict_types=1);

namespace App\Support\Search;

use Illuminate\Support\Facades\DB;

/** The words by which calls are found. In SQLite's full-text index a call's row has its number, so that it is found without looking at all. */
final class CallSearch
{
    private const TABLE = 'call_search';

    public static function put(int $call, string $words): void
    {
        self::drop([$call]);
        DB::table(self::TABLE)->insert(FullText::there() ? ['rowid' => $call, 'call_id' => $call, 'words' => $words] : ['call_id' => $call, 'words' => $words]);
    }

    /** @param list<int> $calls */
    public static function drop(array $calls): void
    {
        DB::table(self::TABLE)->whereIn(self::key(), $calls)->delete();
    }

    public static function has(int $call): bool
    {
        return DB::table(self::TABLE)->where(self::key(), $call)->exists();
    }

    /** The calls in which all words stand, each as a beginning. */
    public static function found(string $words): Found
    {
        $found = DB::table(self::TABLE)->select(self::key());
        if (FullText::there()) {
            return new Found($found->whereRaw(self::TABLE.' MATCH ?', [FullText::all(FullText::words($words))]), self::key());
        }
        foreach (FullText::words($words) as $word) {
            $found->where('words', 'like', '%'.addcslashes($word, '%_\\').'%');
        }

        return new Found($found, self::key());
    }

    private static function key(): string
    {
        return FullText::there() ? 'rowid' : 'call_id';
    }
}
