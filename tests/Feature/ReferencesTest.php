<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Whatever refers to another row heads an index, so that taking that row away does not look through the whole table. */
final class ReferencesTest extends FeatureTestCase
{
    public function testEveryReferenceHeadsAnIndex(): void
    {
        $without = [];
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            $heads = array_map(static fn (array $index): string => $index['columns'][0] ?? '', Schema::getIndexes($table));
            foreach (Schema::getForeignKeys($table) as $reference) {
                if (! in_array($reference['columns'][0], $heads, true)) {
                    $without[] = "{$table}.{$reference['columns'][0]}";
                }
            }
        }

        self::assertSame([], $without, 'Add an index that begins with each.');
        self::assertNotSame([], DB::select('pragma foreign_key_list(calls)'), 'references are looked at');
    }
}
