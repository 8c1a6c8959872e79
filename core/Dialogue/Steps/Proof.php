<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** The facts a caller can be checked against, and which of them words give. */
final readonly class Proof
{
    public function __construct(private Understanding $understanding)
    {
    }

    /** @return array<string, string> the facts on file that the step checks, by name */
    public function known(Turn $turn, VerifyStep $step): array
    {
        $caller = $turn->state->caller;
        $facts = [];
        foreach ($step->by === 'any_two' ? $step->facts : [$step->by] as $name) {
            $fact = match ($name) {
                'pin' => $caller['pin_hash'] ?? null,
                'code' => ($caller['known'] ?? false) || $turn->state->from !== null ? sprintf('%06d', crc32($turn->state->seed.'|'.$step->key().'|code') % 1_000_000) : null,
                'reference' => $caller['reference'] ?? $caller['account'] ?? $caller['account_number'] ?? null,
                'phone' => $caller['phone_on_file'] ?? $caller['phone'] ?? null,
                default => $caller[$name] ?? null,
            };
            if (is_string($fact) && trim($fact) !== '') {
                $facts[$name] = trim($fact);
            }
        }

        return $facts;
    }

    /** @return list<string> names of the facts that the words give rightly */
    public function matching(Turn $turn, VerifyStep $step, string $words): array
    {
        $right = [];
        foreach ($this->known($turn, $step) as $name => $expected) {
            if ($this->matches($turn, $name, $expected, $words)) {
                $right[] = $name;
            }
        }

        return $right;
    }

    private function matches(Turn $turn, string $name, string $expected, string $words): bool
    {
        $heard = $this->understanding->hear($words);
        if ($name === 'birth_date') {
            return $this->understanding->read(ValueType::Date, $heard, $turn->plain())->value === $expected;
        }
        if ($name === 'name') {
            $said = $this->understanding->read(ValueType::PersonName, $heard, $turn->plain())->value;

            return is_string($said) && mb_strtolower($said) === mb_strtolower($expected);
        }
        $tries = [$this->bare($words)];
        foreach ([ValueType::Reference, ValueType::Phone] as $type) {
            $value = $this->understanding->read($type, $heard, $turn->plain())->value;
            $tries[] = is_string($value) ? $this->bare($value) : '';
        }
        foreach (array_unique(array_filter($tries, static fn (string $one): bool => $one !== '')) as $try) {
            if ($name === 'pin' ? password_verify($try, $expected) : hash_equals($this->bare($expected), $try)) {
                return true;
            }
        }

        return false;
    }

    private function bare(string $text): string
    {
        return strtoupper((string) preg_replace('/[^a-z0-9]/i', '', $text));
    }
}
