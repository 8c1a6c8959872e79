<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** Somebody on a list, as the list tells of them. Days and times are their own wall clock. */
final readonly class Listed
{
    /** @param list<Attempt> $attempts */
    public function __construct(
        public string $id,
        public string $phone,
        public ?string $tz = null,
        public ?int $consent = null,
        public string $consentPurpose = '',
        public bool $doNotCall = false,
        public array $attempts = [],
        public ?int $askedFor = null,
        public ?int $complaint = null,
        public bool $done = false,
    ) {
    }

    /**
     * @param array<string, string> $row by column: id, phone, tz, consent, consent_purpose, do_not_call, attempts, asked_for, complaint, done
     *
     * @throws \DomainException naming the column
     */
    public static function of(array $row): self
    {
        return new self(
            $row['id'],
            $row['phone'],
            ($row['tz'] ?? '') === '' ? null : $row['tz'],
            self::day($row, 'consent'),
            $row['consent_purpose'] ?? '',
            self::yes($row, 'do_not_call'),
            Attempt::all($row['attempts'] ?? ''),
            self::time($row, 'asked_for'),
            self::day($row, 'complaint'),
            self::yes($row, 'done'),
        );
    }

    /** @param array<string, string> $row */
    private static function day(array $row, string $column): ?int
    {
        $written = $row[$column] ?? '';
        if ($written === '') {
            return null;
        }
        $moment = WallTime::date(substr($written, 0, 10));
        if ($moment === null || strlen($written) > 10 && WallTime::time($written) === null) {
            throw new \DomainException("“{$column}”: “{$written}” is no day; write 2026-05-04");
        }

        return $moment;
    }

    /** @param array<string, string> $row */
    private static function time(array $row, string $column): ?int
    {
        $written = $row[$column] ?? '';

        return $written === '' ? null : WallTime::time($written) ?? throw new \DomainException("“{$column}”: “{$written}” is no time; write 2026-05-04T18:00");
    }

    /** @param array<string, string> $row */
    private static function yes(array $row, string $column): bool
    {
        return match (strtolower($row[$column] ?? '')) {
            'yes', 'true', '1' => true,
            '', 'no', 'false', '0' => false,
            default => throw new \DomainException("“{$column}”: “{$row[$column]}” is neither yes nor empty"),
        };
    }

    /** As the list would tell of them after one attempt more; what they asked for before is over with it. */
    public function after(Attempt $attempt, ?int $askedFor = null): self
    {
        return new self($this->id, $this->phone, $this->tz, $this->consent, $this->consentPurpose, $this->doNotCall, [...$this->attempts, $attempt], $askedFor ?? $this->askedFor, $this->complaint, $this->done);
    }
}
