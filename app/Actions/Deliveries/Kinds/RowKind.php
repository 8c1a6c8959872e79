<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use App\Actions\Deliveries\RecordValues;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\FileRow;
use Ringo\Delivery\Means;
use Ringo\Value\Redaction;

/** A row into the file of a rule. */
final readonly class RowKind extends DeliveryKind
{
    private const BETWEEN = ' · ';

    public function means(): Means
    {
        return Means::Row;
    }

    public function parts(): array
    {
        return ['columns'];
    }

    public function problems(string $to, string $words, array $columns): array
    {
        return $columns === [] ? ['mapping' => 'Which columns? Write “column: value”, one a line.'] : [];
    }

    public function travels(): bool
    {
        return false;
    }

    /** @return array<string, string> by column */
    public function cells(DeliveryRule $rule, RecordValues $values): array
    {
        return array_map($values->cell(...), $rule->mapping);
    }

    public function body(DeliveryRule $rule, RecordValues $values): string
    {
        return implode(self::BETWEEN, $this->cells($rule, $values));
    }

    public function inShort(Delivery $delivery): string
    {
        return $delivery->body;
    }

    public function without(Delivery $delivery, array $keys, string $instead): string
    {
        if ($delivery->rule === null || $delivery->call === null) {
            return $delivery->body;
        }
        $cells = $this->row($delivery)->cells ?? $this->cells($delivery->rule, new RecordValues($delivery->call));

        return implode(self::BETWEEN, array_intersect_key($cells, array_filter($delivery->rule->mapping, static fn (string $path): bool => ! isset($keys[RecordValues::field($path)]))));
    }

    public function erased(Delivery $delivery, string $field, Redaction $redaction): string
    {
        $row = $this->row($delivery);
        if ($row === null) {
            return parent::erased($delivery, $field, $redaction);
        }
        $mapping = $delivery->rule->mapping ?? [];
        $cells = $row->cells;
        foreach ($cells as $column => $cell) {
            $cells[$column] = RecordValues::field((string) ($mapping[$column] ?? '')) === $field ? '' : $redaction->summary($cell);
        }
        $row->update(['cells' => $cells]);

        return implode(self::BETWEEN, $cells);
    }

    private function row(Delivery $delivery): ?FileRow
    {
        return FileRow::query()->where('key', $delivery->key)->first();
    }
}
