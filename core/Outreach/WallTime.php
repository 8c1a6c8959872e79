<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** Reads dates and local date-times as lists carry them, as seconds of a wall clock since 1970. */
final readonly class WallTime
{
    /** @return int|null the start of a day, from 2026-05-04 */
    public static function date(string $written): ?int
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $written, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1])
            ? (int) gmmktime(0, 0, 0, (int) $m[2], (int) $m[3], (int) $m[1]) : null;
    }

    /** @return int|null from 2026-05-04T10:02, seconds allowed */
    public static function time(string $written): ?int
    {
        if (preg_match('/^(\d{4}-\d\d-\d\d)[T ]([01]\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/', $written, $m) !== 1) {
            return null;
        }
        $day = self::date($m[1]);

        return $day === null ? null : $day + 3600 * (int) $m[2] + 60 * (int) $m[3] + (int) ($m[4] ?? 0);
    }
}
