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
        return [$call, $startedAt, $from ?? '', $outcome, ...array_map(fn (string $key): string => $this->cell($values[$key] ?? null), $this->keys)];
    }

    /** @param list<string> $cells */
    public function line(array $cells): string
    {
        return Csv::line($cells);
    }

    private function cell(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'true' : 'false',
            is_array($value) && isset($value['amount'], $value['currency']) => sprintf('%.2f %s', $value['amount'], $value['currency']),
            is_scalar($value) => (string) $value,
            is_array($value) && array_is_list($value) && array_filter($value, is_string(...)) === $value => implode('; ', $value),
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        };
    }
}
