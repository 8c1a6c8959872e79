<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;

/** Reads a table kept as CSV; the first line names the columns, the delimiter is seen from it. */
final readonly class CsvFile
{
    /** Rows that are sentences for callers; more are data. */
    private const MOST_ROWS = 20_000;

    /** @throws UnreadableSource */
    public function read(string $source, string $text): Document
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        }
        $text = ltrim($text, "\u{FEFF}");
        $head = strtok($text, "\r\n") ?: '';
        $counts = [];
        foreach ([',', ';', "\t", '|'] as $mark) {
            $counts[$mark] = substr_count($head, $mark);
        }
        arsort($counts);
        $delimiter = (string) array_key_first($counts);
        $stream = fopen('php://memory', 'r+b') ?: throw new UnreadableSource("{$source}: there is no memory left to read it.");
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        while (($row = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            if (count($rows) > self::MOST_ROWS) {
                throw new UnreadableSource("{$source}: has more than ".number_format(self::MOST_ROWS).' rows. What callers ask about is a part of it; a large table is looked up by an errand.');
            }
            if ($row !== [null]) {
                $rows[] = array_map(static fn (?string $cell): string => trim((string) $cell), $row);
            }
        }
        fclose($stream);
        if (count($rows) < 2 || count($rows[0]) < 2) {
            throw new UnreadableSource("{$source}: a table needs a line that names at least two columns, and a row below it.");
        }
        $builder = new Builder($source);
        $builder->table($rows[0], array_slice($rows, 1));

        return $builder->document();
    }
}
