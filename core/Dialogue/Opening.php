<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Script;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** Makes the state in which a call begins, with what is known of the caller put into the fields that take it. */
final readonly class Opening
{
    public function __construct(private Script $script)
    {
    }

    /** @param array<string, scalar|null> $caller */
    public function state(string $id, \DateTimeImmutable $at, string $seed, ?string $from, ?string $to, array $caller): CallState
    {
        $state = new CallState($id, $at->setTimezone(new \DateTimeZone($this->script->agent->tz))->format('c'), $seed, $from, $to, $caller);
        foreach ($this->script->sheet->fields as $field) {
            $value = $this->known($field, $caller, $from);
            if ($value !== null) {
                $state->values[$field->key] = new Held($value, 0.9, Origin::Recognised, null, '');
            }
        }

        return $state;
    }

    /** @param array<string, scalar|null> $caller */
    private function known(Field $field, array $caller, ?string $from): mixed
    {
        $fact = $field->fromCaller === 'number' ? $from : ($field->fromCaller === null ? null : ($caller[$field->fromCaller] ?? null));
        if (! is_string($fact) || trim($fact) === '') {
            return null;
        }
        $fact = trim($fact);
        $sound = match ($field->type) {
            ValueType::Phone => preg_match('/^\+[1-9]\d{6,14}$/', $fact) === 1,
            ValueType::Email => filter_var($fact, FILTER_VALIDATE_EMAIL) !== false,
            ValueType::Choice => in_array($fact, array_column($field->options, 'key'), true),
            ValueType::Date => preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $fact, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1]),
            ValueType::PersonName, ValueType::Text, ValueType::PostalAddress => mb_strlen($fact) <= 200,
            ValueType::Reference => preg_match('/^[A-Z0-9\/-]{2,40}$/', $fact) === 1 && ($field->pattern === null || preg_match('~'.str_replace('~', '\~', $field->pattern).'~u', $fact) === 1),
            default => false,
        };

        return $sound ? $fact : null;
    }
}
