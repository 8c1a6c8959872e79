<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Schema;

/** Whatever refers to another row heads an index, so that taking that row away does not look through the whole table. */
final class ReferencesTest extends FeatureTestCase
{
    public function testEveryReferenceHeadsAnIndex(): void
    {
        $without = [];
        $seen = 0;
        foreach (Schema::getTableListing(schemaQualified: false) as $table) {
            $heads = array_map(static fn (array $index): string => $index['columns'][0] ?? '', Schema::getIndexes($table));
            foreach (Schema::getForeignKeys($table) as $reference) {
                $seen++;
                if (! in_array($reference['columns'][0], $heads, true)) {
                    $without[] = "{$table}.{$reference['columns'][0]}";
                }
            }
        }

        self::assertSame([], $without, 'Add an index that begins with each.');
        self::assertGreaterThan(100, $seen, 'references are looked at');
    }
}
