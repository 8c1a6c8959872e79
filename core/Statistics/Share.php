<?php

declare(strict_types=1);

namespace Ringo\Statistics;

/** Shares of people and how sure one is of them: intervals that hold in 95 of 100 such samples. */
final readonly class Share
{
    /** Standard deviations that leave one in forty on either side. */
    private const Z = 1.959964;

    /**
     * The score interval of a share (E. B. Wilson, 1927), 95 %.
     *
     * @return array{float, float}
     */
    public static function interval(int $of, int $all): array
    {
        if ($all === 0) {
            return [0.0, 1.0];
        }
        $p = $of / $all;
        $z2 = self::Z ** 2;
        $middle = ($p + $z2 / (2 * $all)) / (1 + $z2 / $all);
        $half = self::Z / (1 + $z2 / $all) * sqrt($p * (1 - $p) / $all + $z2 / (4 * $all ** 2));

        return [round(max(0.0, $middle - $half), 4), round(min(1.0, $middle + $half), 4)];
    }

    /**
     * The difference of two shares of the same callers: those who only did better, and only did worse (Q. McNemar, 1947).
     *
     * @return array{difference: float, interval: array{float, float}, p: float} p by the exact two-sided sign test
     */
    public static function paired(int $better, int $worse, int $all): array
    {
        $all = max(1, $all);
        $difference = ($better - $worse) / $all;
        $deviation = sqrt(max(0.0, $better + $worse - ($better - $worse) ** 2 / $all)) / $all;

        return ['difference' => round($difference, 4), 'interval' => [round($difference - self::Z * $deviation, 4), round($difference + self::Z * $deviation, 4)], 'p' => round(self::sign($better, $worse), 6)];
    }

    /**
     * The difference of two shares of different people (R. G. Newcombe, 1998, from the score intervals of both).
     *
     * @return array{difference: float, low: float, high: float}
     */
    public static function difference(int $of, int $all, int $ofOther, int $allOther): array
    {
        if ($all === 0 || $allOther === 0) {
            return ['difference' => 0.0, 'low' => -1.0, 'high' => 1.0];
        }
        [$p, $q] = [$of / $all, $ofOther / $allOther];
        [[$l1, $u1], [$l2, $u2]] = [self::interval($of, $all), self::interval($ofOther, $allOther)];

        return ['difference' => $p - $q, 'low' => $p - $q - sqrt(($p - $l1) ** 2 + ($u2 - $q) ** 2), 'high' => $p - $q + sqrt(($u1 - $p) ** 2 + ($q - $l2) ** 2)];
    }

    /**
     * The share of those at the top of a scale less that of those at its bottom, in points from -100 to 100.
     *
     * The two shares are of the same people, so the variance of their difference is that of one draw from a multinomial.
     *
     * @return array{net: float, low: float, high: float}
     */
    public static function net(int $top, int $bottom, int $all): array
    {
        if ($all === 0) {
            return ['net' => 0.0, 'low' => -100.0, 'high' => 100.0];
        }
        $net = ($top - $bottom) / $all;
        $half = self::Z * sqrt(max(0.0, ($top + $bottom) / $all - $net ** 2) / $all);

        return ['net' => 100 * $net, 'low' => 100 * max(-1.0, $net - $half), 'high' => 100 * min(1.0, $net + $half)];
    }

    private static function sign(int $better, int $worse): float
    {
        $changed = $better + $worse;
        $log = -$changed * log(2);
        $tail = 0.0;
        for ($k = 0; $k <= min($better, $worse); $k++) {
            $tail += exp($log);
            $log += log(max(1, $changed - $k)) - log($k + 1);
        }

        return $changed === 0 ? 1.0 : min(1.0, 2 * $tail);
    }
}
