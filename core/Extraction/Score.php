<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

/**
 * How well records agree with what they should be: precision, recall and their harmonic mean (F1) over typed fields,
 * and the share of empty fields that were given a value.
 */
final class Score
{
    private int $right = 0;

    private int $given = 0;

    private int $due = 0;

    private int $empty = 0;

    private int $invented = 0;

    /** @var list<array{call: string, field: string, expected: mixed, given: mixed}> */
    private array $misses = [];

    /**
     * @param array<string, mixed> $expected
     * @param array<string, mixed> $given
     */
    public function add(string $call, RecordSheet $sheet, array $expected, array $given): void
    {
        foreach ($sheet->fields as $key => $field) {
            $due = $expected[$key] ?? null;
            $got = $given[$key] ?? null;
            if ($field->type === ValueType::Text && $field->pattern === null && $due === null) {
                // Free words have no single right answer; only those that are labelled count.
                continue;
            }
            $same = $due !== null && $got !== null && self::same($due, $got);
            $this->due += $due === null ? 0 : 1;
            $this->given += $got === null ? 0 : 1;
            $this->right += $same ? 1 : 0;
            $this->empty += $due === null ? 1 : 0;
            $this->invented += $due === null && $got !== null ? 1 : 0;
            if (! $same && ($due !== null || $got !== null)) {
                $this->misses[] = ['call' => $call, 'field' => $key, 'expected' => $due, 'given' => $got];
            }
        }
    }

    public function precision(): float
    {
        return $this->given === 0 ? 1.0 : $this->right / $this->given;
    }

    public function recall(): float
    {
        return $this->due === 0 ? 1.0 : $this->right / $this->due;
    }

    public function f1(): float
    {
        $sum = $this->precision() + $this->recall();

        return $sum == 0.0 ? 0.0 : 2 * $this->precision() * $this->recall() / $sum;
    }

    /** Share of the fields that should stay empty and did not. */
    public function invented(): float
    {
        return $this->empty === 0 ? 0.0 : $this->invented / $this->empty;
    }

    public function due(): int
    {
        return $this->due;
    }

    /** @return list<array{call: string, field: string, expected: mixed, given: mixed}> */
    public function misses(): array
    {
        return $this->misses;
    }

    public static function same(mixed $a, mixed $b): bool
    {
        if (is_array($a) && is_array($b)) {
            return array_keys($a) === array_keys($b) && array_filter(array_map(self::same(...), $a, $b), static fn (bool $same): bool => ! $same) === [];
        }
        if (is_string($a) && is_string($b)) {
            $plain = static fn (string $text): string => trim((string) preg_replace('/[^\p{L}\p{N}@.:+_-]+/u', ' ', mb_strtolower($text)));

            return $plain($a) === $plain($b);
        }

        return is_bool($a) || is_bool($b) ? $a === $b : $a == $b;
    }
}
