<?php

declare(strict_types=1);

namespace Ringo\Speech;

/** The parts of an ISO 8601 duration, from years down to seconds. */
final readonly class IsoDuration
{
    /** @return list<array{int, string}>|null amount and unit of each part that is not zero; null where it is no duration */
    public static function parts(string $iso): ?array
    {
        if (preg_match('/^P(?:(\d+)Y)?(?:(\d+)M)?(?:(\d+)W)?(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?$/', $iso, $m) !== 1) {
            return null;
        }
        $parts = [];
        foreach ([1 => 'year', 'month', 'week', 'day', 'hour', 'minute', 'second'] as $i => $unit) {
            $count = (int) ($m[$i] ?? 0);
            if ($count > 0) {
                $parts[] = [$count, $unit.($count === 1 ? '' : 's')];
            }
        }

        return $parts;
    }
}
