<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** What questions further on may ask for: only that is taken unasked, and what fits two of them is taken for the nearer one. */
final class AskedAhead
{
    /** @var array<string, array<string, true>> fields by step */
    private array $known = [];

    /** @return list<string> fields that questions from a step on may ask for, the nearest first */
    public function keys(Turn $turn, string $from): array
    {
        return array_map(strval(...), array_keys($this->from($turn, $from)));
    }

    /** The field that is asked for after one, and has no value yet. */
    public function next(Turn $turn, string $from, Field $after): ?string
    {
        $open = array_filter($this->keys($turn, $from), static fn (string $key): bool => $key !== $after->key && ! isset($turn->state->values[$key]));

        return array_values($open)[0] ?? null;
    }

    public function holds(Turn $turn, string $from, Field $field): bool
    {
        return isset($this->from($turn, $from)[$field->key]);
    }

    /**
     * Fields that questions further on may ask for, the nearest first; an open question ends the look ahead, but for the one the call stands at.
     *
     * @return array<string, true>
     */
    private function from(Turn $turn, string $from): array
    {
        if (isset($this->known[$from])) {
            return $this->known[$from];
        }
        $fields = [];
        $seen = [];
        $open = [$from];
        while (($key = array_shift($open)) !== null) {
            if (isset($seen[$key]) || ! isset($turn->script->steps[$key])) {
                continue;
            }
            $seen[$key] = true;
            $step = $turn->script->steps[$key];
            $fields += array_fill_keys($step->asks(), true);
            if ($step instanceof ListenStep && $key !== $from) {
                continue;
            }
            foreach ($step->exits() as $exit) {
                $open[] = $exit->to;
            }
        }

        return $this->known[$from] = $fields;
    }

    /** Whether another field of the same kind could be meant as well. */
    public function shared(Turn $turn, Field $field, ?Field $asked, string $from): bool
    {
        if ($field->type === ValueType::Choice) {
            return false;
        }
        $kin = static fn (ValueType $type): string => match ($type) {
            ValueType::Date, ValueType::DateTime => 'day',
            default => $type->value,
        };
        foreach ($turn->script->sheet->fields as $other) {
            if ($other->key === $field->key || $kin($other->type) !== $kin($field->type)) {
                continue;
            }
            // The first still empty one is meant where nothing points elsewhere, unless one of them is being asked.
            if ($asked?->key === $other->key) {
                return true;
            }
            if (isset($this->from($turn, $from)[$other->key]) && $this->before($turn, $other, $field, $from) && ! isset($turn->state->values[$other->key])) {
                return true;
            }
        }

        return false;
    }

    private function before(Turn $turn, Field $a, Field $b, string $from): bool
    {
        $keys = array_keys($this->from($turn, $from));

        return array_search($a->key, $keys, true) < array_search($b->key, $keys, true);
    }
}
