<?php

declare(strict_types=1);

namespace Ringo\Statistics;

/** Whether the rows and columns of a table of counts hang together. */
final class Dependence
{
    private const TERMS = 400;

    private const EXACT = 1e-14;

    /**
     * Whether rows and columns of a table hang together (K. Pearson, 1900).
     *
     * @param list<list<int>> $table counts
     *
     * @return ?array{p: float, thin: bool} p: how often chance alone gives as much; thin: a cell is expected to hold fewer than five, so p is rough; null where the table has but one row or column
     */
    public static function of(array $table): ?array
    {
        $rows = array_map(array_sum(...), $table);
        $columns = $table === [] ? [] : array_map(static fn (int $column): int => (int) array_sum(array_column($table, $column)), array_keys($table[0]));
        $all = array_sum($rows);
        $degrees = (count(array_filter($rows)) - 1) * (count(array_filter($columns)) - 1);
        if ($degrees < 1) {
            return null;
        }
        $sum = 0.0;
        $least = INF;
        foreach ($table as $r => $cells) {
            foreach ($cells as $c => $count) {
                $expected = $rows[$r] * $columns[$c] / $all;
                if ($expected > 0) {
                    $sum += ($count - $expected) ** 2 / $expected;
                    $least = min($least, $expected);
                }
            }
        }

        return ['p' => 1 - self::gamma($degrees / 2, $sum / 2), 'thin' => $least < 5];
    }

    /** The lower incomplete gamma function as a share, by its series or, far out, its continued fraction (NIST DLMF 8.7, 8.9). */
    private static function gamma(float $a, float $x): float
    {
        if ($x <= 0) {
            return 0.0;
        }
        $front = exp($a * log($x) - $x - self::logGamma($a));
        if ($x < $a + 1) {
            $term = $sum = 1 / $a;
            for ($n = 1; $n < self::TERMS && abs($term) > abs($sum) * self::EXACT; $n++) {
                $term *= $x / ($a + $n);
                $sum += $term;
            }

            return $front * $sum;
        }
        $b = $x + 1 - $a;
        $c = 1e300;
        $d = 1 / $b;
        $h = $d;
        for ($n = 1; $n < self::TERMS; $n++) {
            $b += 2;
            $d = 1 / (-$n * ($n - $a) * $d + $b);
            $c = $b - $n * ($n - $a) / $c;
            $h *= $d * $c;
            if (abs($d * $c - 1) < self::EXACT) {
                break;
            }
        }

        return 1 - $front * $h;
    }

    /** Of a half or a whole number above nought, as degrees of freedom halved are. */
    private static function logGamma(float $a): float
    {
        $log = fmod($a, 1.0) === 0.0 ? 0.0 : 0.5 * log(M_PI);
        for ($k = fmod($a, 1.0) === 0.0 ? 1.0 : 0.5; $k < $a; $k++) {
            $log += log($k);
        }

        return $log;
    }
}
