<?php

declare(strict_types=1);

namespace Ringo\Delivery;

/** How long to wait before something is tried again, and when it is given up: growing pauses, as the Standard Webhooks specification advises. */
final readonly class Retries
{
    /** Seconds after the first, second, … try that failed. */
    private const PAUSES = [5, 30, 120, 600, 3600, 14400, 43200];

    /** @param int $tries how often it has been tried */
    public function pause(int $tries): ?int
    {
        return self::PAUSES[$tries - 1] ?? null;
    }

    public function most(): int
    {
        return count(self::PAUSES) + 1;
    }
}
