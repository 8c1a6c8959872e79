<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Models\Business;
use App\Models\ErrandTable;
use Illuminate\Support\Str;
use Ringo\Format\CsvTable;
use Ringo\Format\XlsxTable;

/** Keeps a table from a CSV or XLSX file; one of the same name is replaced whole. */
final readonly class KeepTable
{
    private const MOST_ROWS = 20_000;

    /** @throws \DomainException in words fit to show; then nothing is changed */
    public function of(Business $business, string $name, string $file, string $path): ErrandTable
    {
        $rows = [];
        [$columns, $read] = str_ends_with(strtolower($file), '.xlsx') ? XlsxTable::of($path) : self::csv($path);
        foreach ($read as $row) {
            if (count($rows) >= self::MOST_ROWS) {
                throw new \DomainException('The table has more than '.number_format(self::MOST_ROWS).' rows. Ask the system it comes from instead.');
            }
            $rows[] = $row;
        }
        $name = Str::slug(trim($name) === '' ? pathinfo($file, PATHINFO_FILENAME) : $name, '_') ?: 'table';

        return ErrandTable::query()->updateOrCreate(['business_id' => $business->id, 'name' => substr($name, 0, 60)], ['columns' => $columns, 'rows' => $rows]);
    }

    /** @return array{list<string>, iterable<array<string, string>>} */
    private static function csv(string $path): array
    {
        $table = CsvTable::of($path);

        return [$table->header, $table->rows()];
    }
}
