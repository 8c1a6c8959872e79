<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The words by which calls are found. In SQLite's full-text index a call's row has its number, so that it is found without looking at all. */
final class CallSearch
{
    private const TABLE = 'call_search';

    public static function put(int $call, string $words): void
    {
        self::drop([$call]);
        DB::table(self::TABLE)->insert(self::indexed() ? ['rowid' => $call, 'call_id' => $call, 'words' => $words] : ['call_id' => $call, 'words' => $words]);
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
    public static function found(string $words): Builder
    {
        if (! self::indexed()) {
            $found = DB::table(self::TABLE)->select('call_id');
            foreach (preg_split('/\s+/', $words, 12) ?: [] as $word) {
                $found->where('words', 'like', '%'.addcslashes($word, '%_\\').'%');
            }

            return $found;
        }
        // Each word is a quoted prefix, so that nothing typed is read as search syntax.
        $match = implode(' ', array_map(static fn (string $word): string => '"'.str_replace('"', '', $word).'"*', preg_split('/\s+/', $words, 12) ?: []));

        return DB::table(self::TABLE)->select('rowid')->whereRaw('call_search MATCH ?', [$match]);
    }

    private static function key(): string
    {
        return self::indexed() ? 'rowid' : 'call_id';
    }

    private static function indexed(): bool
    {
        return DB::getDriverName() === 'sqlite';
    }
}
