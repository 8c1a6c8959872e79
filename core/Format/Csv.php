<?php

declare(strict_types=1);

namespace Ringo\Format;

/** Writes lines of CSV (RFC 4180), in which no cell is taken for a formula by the spreadsheet that opens it. */
final class Csv
{
    /** @param array<array-key, mixed> $cells scalars or null */
    public static function line(array $cells): string
    {
        return implode(',', array_map(self::cell(...), array_values($cells)))."\r\n";
    }

    /** As text: a cell that would be a formula is led by an apostrophe; telephone and negative numbers are not formulas. */
    public static function safe(string $cell): string
    {
        return preg_match('/^[=@\t\r]|^[+-](?!\d+(?:\.\d+)?$)/', $cell) === 1 ? "'".$cell : $cell;
    }

    private static function cell(mixed $cell): string
    {
        $text = self::safe(is_bool($cell) ? ($cell ? 'true' : 'false') : (is_scalar($cell) ? (string) $cell : ''));

        return preg_match('/[",\r\n;]/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
