<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/** What a call has given each field so far: the last valid value stands, and what was said against it is remembered. */
final class Ledger
{
    /** @var array<string, Claim> */
    private array $claims = [];

    /** @var array<string, true> */
    private array $declined = [];

    /** @var array<string, string> */
    private array $doubts = [];

    public function take(string $field, Claim $claim): void
    {
        $known = $this->claims[$field] ?? null;
        if ($known !== null && $this->same($known->value, $claim->value)) {
            // Said twice is surer than said once; the first words stay the evidence.
            $this->claims[$field] = new Claim($known->value, min(0.97, max($known->confidence, $claim->confidence) + 0.03), $known->turn, $known->said, $known->origin === Claim::WANTED ? $claim->origin : $known->origin, $known->confirmed, $known->doubt);
            unset($this->declined[$field]);

            return;
        }
        if ($known !== null && $claim->origin === Claim::VOLUNTEERED && $known->origin !== Claim::WANTED) {
            return;
        }
        $this->claims[$field] = $claim;
        unset($this->declined[$field], $this->doubts[$field]);
    }

    public function confirm(string $field): void
    {
        if (isset($this->claims[$field])) {
            $this->claims[$field] = $this->claims[$field]->confirmed();
        }
    }

    public function decline(string $field): void
    {
        if (! isset($this->claims[$field])) {
            $this->declined[$field] = true;
        }
    }

    public function doubt(string $field, string $why): void
    {
        if (! isset($this->claims[$field])) {
            $this->doubts[$field] = $why;
        }
    }

    public function replace(string $field, Claim $claim): void
    {
        $this->claims[$field] = $claim;
    }

    public function drop(string $field): void
    {
        unset($this->claims[$field]);
    }

    public function of(string $field): ?Claim
    {
        return $this->claims[$field] ?? null;
    }

    /** @return array<string, Claim> */
    public function claims(): array
    {
        return $this->claims;
    }

    /** @return list<string> */
    public function declined(): array
    {
        return array_keys($this->declined);
    }

    /** @return array<string, string> fields without a value => why it could not be told */
    public function doubts(): array
    {
        return array_diff_key($this->doubts, $this->claims);
    }

    private function same(mixed $a, mixed $b): bool
    {
        return is_string($a) && is_string($b) ? mb_strtolower($a) === mb_strtolower($b) : $a === $b || is_numeric($a) && is_numeric($b) && (float) $a === (float) $b;
    }
}
