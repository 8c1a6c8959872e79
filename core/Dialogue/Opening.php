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

    /**
     * @param array<string, scalar|null> $caller
     * @param list<array<string, scalar|null>> $people the people of a shared number
     */
    public function state(string $id, \DateTimeImmutable $at, string $seed, ?string $from, ?string $to, array $caller, array $people = []): CallState
    {
        $state = new CallState($id, $at->setTimezone(new \DateTimeZone($this->script->agent->tz))->format('c'), $seed, $from, $to, $caller);
        $state->people = $people;
        $state->values = $this->values($caller, $from, $at);

        return $state;
    }

    /**
     * What is known of the caller, as values of the fields that take it. A fact too old to be used as it is comes with less
     * confidence, so that it is asked back; one older still is not taken over.
     *
     * @param array<string, scalar|null> $caller facts, and `NAME_at` with the day a fact was last confirmed
     *
     * @return array<string, Held>
     */
    public function values(array $caller, ?string $from, \DateTimeImmutable $now): array
    {
        $values = [];
        foreach ($this->script->sheet->fields as $field) {
            $value = $this->known($field, $caller, $from);
            if ($value === null) {
                continue;
            }
            $fact = (string) $field->fromCaller;
            $fresh = $this->script->recognition->fresh[$fact] ?? null;
            $at = $caller[$fact.'_at'] ?? null;
            $days = $fresh !== null && is_string($at) && ($then = date_create_immutable($at)) !== false ? (int) $then->diff($now)->days : 0;
            if ($fresh !== null && $days > $fresh['use'] + $fresh['check']) {
                continue;
            }
            $values[$field->key] = new Held($value, $fresh !== null && $days > $fresh['use'] ? 0.6 : 0.9, Origin::Recognised, null, '');
        }

        return $values;
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
