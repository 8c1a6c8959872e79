<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** How long nobody is rung again after an attempt: calendar days at the same wall-clock time, then elapsed hours. Written as an ISO 8601 duration. */
final readonly class Pause
{
    private function __construct(public int $days, public int $seconds)
    {
    }

    public static function read(string $written): ?self
    {
        if (preg_match('/^P(?=[\dT])(?:(\d{1,3})W)?(?:(\d{1,4})D)?(?:T(?=\d)(?:(\d{1,4})H)?(?:(\d{1,5})M)?(?:(\d{1,6})S)?)?$/', $written, $m) !== 1) {
            return null;
        }

        return new self(7 * (int) ($m[1] ?? 0) + (int) ($m[2] ?? 0), 3600 * (int) ($m[3] ?? 0) + 60 * (int) ($m[4] ?? 0) + (int) ($m[5] ?? 0));
    }

    /** The moment it is over, from a moment on. */
    public function after(int $moment, LocalClock $clock): int
    {
        return ($this->days === 0 ? $moment : $clock->moment($clock->wall($moment) + 86_400 * $this->days)) + $this->seconds;
    }
}
