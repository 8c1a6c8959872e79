<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Sheet\RecordSheet;

/** Writes records as CSV (RFC 4180): one line a call, a column a field, in the order of the sheet. */
final readonly class RecordCsv
{
    /** @var list<string> fields written, in the order of the sheet */
    private array $keys;

    /** @param list<string> $without fields that are left out */
    public function __construct(RecordSheet $sheet, array $without = [])
    {
        $this->keys = array_values(array_diff(array_keys($sheet->fields), $without));
    }

    /** @return list<string> */
    public function header(): array
    {
        return ['call', 'started_at', 'from', 'outcome', ...$this->keys];
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return list<string>
     */
    public function row(string $call, string $startedAt, ?string $from, string $outcome, array $values): array
    {
        return array_map($this->safe(...), [$call, $startedAt, $from ?? '', $outcome, ...array_map(fn (string $key): string => $this->cell($values[$key] ?? null), $this->keys)]);
    }

    /** @param list<string> $cells */
    public function line(array $cells): string
    {
        return implode(',', array_map(static fn (string $cell): string => preg_match('/[",\r\n]/', $cell) === 1 ? '"'.str_replace('"', '""', $cell).'"' : $cell, $cells))."\r\n";
    }

    private function cell(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'true' : 'false',
            is_array($value) && isset($value['amount'], $value['currency']) => sprintf('%.2f %s', $value['amount'], $value['currency']),
            is_scalar($value) => (string) $value,
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        };
    }

    /** A cell that a spreadsheet would take for a formula is led by an apostrophe; telephone numbers are not formulas. */
    private function safe(string $cell): string
    {
        return preg_match('/^[=@\t\r]|^[+-](?!\d+$)/', $cell) === 1 ? "'".$cell : $cell;
    }
}
