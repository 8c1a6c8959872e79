<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Business;

/** The readable files of database/demo that a business of the demonstration is made of. */
final readonly class DemoFiles
{
    public function text(Business $business, string $name): string
    {
        return (string) file_get_contents(database_path("demo/{$business->key}/{$name}"));
    }

    /** @return list<array<string, string>> */
    public function rows(Business $business, string $name): array
    {
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), preg_split('/\R/', trim($this->text($business, $name))) ?: []);
        $header = array_map(strval(...), array_shift($lines) ?? []);

        return array_map(static fn (array $cells): array => array_combine($header, array_map(strval(...), $cells)), $lines);
    }
}
