<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/** What a call has given each field, which ones were refused, and why one could not be told. */
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
        $this->claims[$field] = $claim;
        unset($this->declined[$field], $this->doubts[$field]);
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
        return array_diff_key($this->doubts, $this->declined);
    }
}
