<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

/** The system clock; see compat/README.md. */
final class NativeClock implements ClockInterface
{
    private \DateTimeZone $timezone;

    public function __construct(\DateTimeZone|string|null $timezone = null)
    {
        $timezone ??= date_default_timezone_get();
        $this->timezone = is_string($timezone) ? new \DateTimeZone($timezone) : $timezone;
    }

    public function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('now', $this->timezone);
    }

    public function sleep(float|int $seconds): void
    {
        if ($seconds > 0) {
            usleep((int) ($seconds * 1_000_000));
        }
    }

    public function withTimeZone(\DateTimeZone|string $timezone): static
    {
        return new static($timezone);
    }
}
