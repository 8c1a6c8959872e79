<?php

declare(strict_types=1);

namespace Ringo\Advice;

/** What came of asking: a choice among those given, words that stand in the text, or nothing that may be used. */
final readonly class Opinion
{
    /** It chose, or quoted. */
    public const TAKEN = 'taken';

    /** It says that none of these is meant, or that nothing stands there. */
    public const NONE = 'none';

    /** It answered something that may not be used: thrown away and counted. */
    public const THROWN_AWAY = 'thrown_away';

    public const SLOW = 'slow';

    public const FAILED = 'failed';

    /** @param string $why nothing may be used */
    public function __construct(public string $status, public string $value = '', public string $why = '', public int $tokensIn = 0, public int $tokensOut = 0)
    {
    }

    public static function slow(float $seconds): self
    {
        return new self(self::SLOW, '', 'no answer within '.number_format($seconds, 1).' s');
    }

    public static function failed(string $why): self
    {
        return new self(self::FAILED, '', $why);
    }

    /** @return array{status: string, value: string, why: string} */
    public function toArray(): array
    {
        return ['status' => $this->status, 'value' => $this->value, 'why' => $this->why];
    }

    /** @param array<string, mixed> $data */
    public static function fromArray(array $data): self
    {
        $text = static fn (string $key): string => is_string($data[$key] ?? null) ? $data[$key] : '';

        return new self($text('status') === '' ? self::FAILED : $text('status'), $text('value'), $text('why'));
    }
}
