<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** What an errand came to: one or several rows of values, nothing, or a failure with its reason. */
final readonly class Reply
{
    public const FOUND = 'found';

    public const NOT_FOUND = 'not_found';

    public const SEVERAL = 'several';

    public const FAILED = 'failed';

    public const SLOW = 'slow';

    /**
     * @param list<array<string, mixed>> $rows values by key, one row for found, more for several
     * @param string $reason why it failed, in words that may be shown
     */
    private function __construct(public string $status, public array $rows, public string $reason)
    {
    }

    /** @param list<array<string, mixed>> $rows */
    public static function of(array $rows): self
    {
        return new self(match (count($rows)) {
            0 => self::NOT_FOUND, 1 => self::FOUND, default => self::SEVERAL,
        }, $rows, '');
    }

    public static function failed(string $reason): self
    {
        return new self(self::FAILED, [], $reason);
    }

    public static function slow(float $seconds): self
    {
        return new self(self::SLOW, [], 'no answer within '.rtrim(rtrim(number_format($seconds, 1), '0'), '.').' s');
    }

    /** @return array{status: string, rows: list<array<string, mixed>>, reason: string} */
    public function toArray(): array
    {
        return ['status' => $this->status, 'rows' => $this->rows, 'reason' => $this->reason];
    }

    /** @param array<array-key, mixed> $data as toArray() wrote it */
    public static function fromArray(array $data): self
    {
        $status = in_array($data['status'] ?? null, [self::FOUND, self::NOT_FOUND, self::SEVERAL, self::FAILED, self::SLOW], true) ? $data['status'] : self::FAILED;
        $rows = is_array($data['rows'] ?? null) ? array_values(array_filter($data['rows'], is_array(...))) : [];

        return in_array($status, [self::FAILED, self::SLOW], true) ? new self($status, [], (string) ($data['reason'] ?? '')) : self::of($rows);
    }
}
