<?php

declare(strict_types=1);

namespace Ringo\Statistics;

/** The mean of numbers, its interval and their spread. */
final class Mean
{
    /** Standard deviations that leave one in forty on either side. */
    private const Z = 1.959964;

    /**
     * Mean and spread of numbers.
     *
     * @param array<int, int> $counts how often each number was given
     *
     * @return ?array{mean: float, low: float, high: float, spread: float, median: float} null without numbers; the spread is that of the sample
     */
    public static function of(array $counts): ?array
    {
        $n = array_sum($counts);
        if ($n === 0) {
            return null;
        }
        ksort($counts);
        $mean = array_sum(array_map(static fn (int $value, int $times): int => $value * $times, array_keys($counts), $counts)) / $n;
        $squares = array_sum(array_map(static fn (int $value, int $times): float => $times * ($value - $mean) ** 2, array_keys($counts), $counts));
        $spread = $n > 1 ? sqrt($squares / ($n - 1)) : 0.0;
        $half = self::Z * $spread / sqrt($n);

        return ['mean' => $mean, 'low' => $mean - $half, 'high' => $mean + $half, 'spread' => $spread, 'median' => self::median($counts, $n)];
    }

    /** @param array<int, int> $counts in order */
    private static function median(array $counts, int $n): float
    {
        $at = static function (int $place) use ($counts): int {
            foreach ($counts as $value => $times) {
                $place -= $times;
                if ($place < 0) {
                    return $value;
                }
            }

            return 0;
        };

        return ($at(intdiv($n - 1, 2)) + $at(intdiv($n, 2))) / 2;
    }
}
