<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Reads values from keys: figures as they are, 1 and 2 for yes and no, a day in eight or four figures, a time in four. */
final readonly class KeyedIn
{
    private const SURE = 0.99;

    public function __construct(private Collector $collector, private Understanding $understanding)
    {
    }

    /** @return ?Reading null where keys mean no value of the field */
    public function reading(Turn $turn, Field $field, string $digits): ?Reading
    {
        $key = rtrim($digits, '#');
        // One key that asks for a person does so unless the field takes single digits.
        $person = $key === $turn->script->standing->personKey && ! str_ends_with($digits, '#') && $field->type !== ValueType::Number;
        $words = $key === '' || str_contains($key, '*') || $person ? null : $this->words($field, $key);
        if ($words === null) {
            return null;
        }
        $reading = $this->collector->asked($turn, $field, $this->understanding->hear($words));

        return $reading->found() ? Reading::of($reading->value, self::SURE, $digits, 0, strlen($digits)) : $reading;
    }

    private function words(Field $field, string $key): ?string
    {
        return match (true) {
            $field->type === ValueType::YesNo => ['1' => 'yes', '2' => 'no'][$key] ?? null,
            $field->type === ValueType::Choice => isset($field->options[(int) $key - 1]) ? 'number '.$key : null,
            in_array($field->type, [ValueType::Phone, ValueType::Number, ValueType::Reference, ValueType::Money], true) => $key,
            $field->type === ValueType::Date && strlen($key) === 8 => implode('/', [substr($key, 0, 2), substr($key, 2, 2), substr($key, 4)]),
            $field->type === ValueType::Date && strlen($key) === 4 => implode('/', str_split($key, 2)),
            $field->type === ValueType::Time && strlen($key) === 4 => implode(':', str_split($key, 2)),
            default => null,
        };
    }
}
