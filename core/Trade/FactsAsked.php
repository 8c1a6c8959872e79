<?php

declare(strict_types=1);

namespace Ringo\Trade;

use Ringo\Fit\Meaning;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

/**
 * Which facts usual in a trade a record sheet asks for.
 *
 * @phpstan-import-type FieldRow from Trade
 */
final readonly class FactsAsked
{
    /** How alike two names of facts are that mean the same. */
    private const ALIKE = 0.62;

    /** A sheet takes each of these once: whatever it is called there, it is that. */
    private const ONE_OF_A_KIND = ['person_name', 'phone', 'email', 'postal_address'];

    public function __construct(private Meaning $meaning)
    {
    }

    /**
     * @param list<FieldRow> $facts
     *
     * @return list<array{fact: FieldRow, field: ?string}> each fact once, with the field that takes it
     */
    public function among(array $facts, RecordSheet $sheet): array
    {
        $fields = array_map(fn (Field $field): array => [$field->key, $field->type, $this->meaning->vector(str_replace('_', ' ', $field->key).' '.$field->title.' '.$field->description)], array_values($sheet->fields));
        $rows = [];
        foreach ($facts as $fact) {
            $rows[mb_strtolower($fact['name'])] ??= ['fact' => $fact, 'field' => $this->field($fact, $fields)];
        }

        return array_values($rows);
    }

    /**
     * @param FieldRow $fact
     * @param list<array{string, ValueType, list<float>}> $fields
     */
    private function field(array $fact, array $fields): ?string
    {
        $wanted = $this->meaning->vector($fact['name'].' '.$fact['name'].' '.$fact['ask']);
        $best = null;
        $nearest = self::ALIKE;
        foreach ($fields as [$key, $type, $vector]) {
            if (in_array($fact['type'], self::ONE_OF_A_KIND, true) && $type->value === $fact['type']) {
                return $key;
            }
            $like = array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $wanted, $vector));
            if ($like > $nearest) {
                [$best, $nearest] = [$key, $like];
            }
        }

        return $best;
    }
}
