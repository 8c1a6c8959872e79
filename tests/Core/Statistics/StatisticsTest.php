<?php

declare(strict_types=1);

namespace Tests\Core\Statistics;

use PHPUnit\Framework\TestCase;
use Ringo\Statistics\Dependence;
use Ringo\Statistics\Mean;
use Ringo\Statistics\Share;

/** Shares, differences, means and tables against published figures. */
final class StatisticsTest extends TestCase
{
    public function testIntervalsOfSharesAndOfTheirDifferenceAreAsPublished(): void
    {
        // E. B. Wilson's interval for 81 of 263, and R. G. Newcombe's examples (1998), method 10: 56 of 70 beside 48 of 80, 9 of 10 beside 3 of 10.
        self::assertEqualsWithDelta([0.2553, 0.3662], Share::interval(81, 263), 0.0002);
        foreach ([[56, 70, 48, 80, 0.0524, 0.3339], [9, 10, 3, 10, 0.1705, 0.8090], [10, 10, 0, 10, 0.6075, 1.0]] as [$a, $all, $b, $other, $low, $high]) {
            $found = Share::difference($a, $all, $b, $other);
            self::assertEqualsWithDelta([$low, $high], [$found['low'], $found['high']], 0.0002);
        }
        self::assertSame([-1.0, 1.0], array_values(array_slice(Share::difference(0, 0, 3, 9), 1)), 'nothing is known without people');
    }

    public function testTheMeanTheMiddleAndTheSpreadAreOfTheNumbersGiven(): void
    {
        $found = Mean::of([2 => 1, 4 => 3, 5 => 2, 7 => 1, 9 => 1]);
        self::assertNotNull($found);
        self::assertEquals([5.0, 4.5], [$found['mean'], $found['median']]);
        self::assertEqualsWithDelta(2.13809, $found['spread'], 1e-5);
        self::assertEqualsWithDelta([5 - 1.959964 * 2.13809 / sqrt(8), 5 + 1.959964 * 2.13809 / sqrt(8)], [$found['low'], $found['high']], 1e-5);
        self::assertNull(Mean::of([]));
    }

    public function testTheNetOfAScaleIsTopLessBottomInPoints(): void
    {
        $found = Share::net(50, 20, 100);
        self::assertSame(30.0, $found['net']);
        // The variance of one draw: 0.5 + 0.2 - 0.3 squared.
        self::assertEqualsWithDelta(100 * 1.959964 * sqrt(0.61 / 100), $found['high'] - 30, 1e-6);
    }

    public function testATableIsJudgedAsChiSquareTablesDo(): void
    {
        // Quantiles of the distribution: 3.841 with one degree of freedom, 5.991 with two, 21.026 with twelve.
        $found = Dependence::of([[10, 20], [30, 40]]);
        self::assertNotNull($found);
        self::assertEqualsWithDelta(0.37300, $found['p'], 1e-4);
        self::assertFalse($found['thin']);
        $found = Dependence::of([[60, 40, 20], [30, 50, 40]]);
        self::assertEqualsWithDelta(exp(-0.5 * 17.7777777), $found['p'] ?? 0.0, 1e-7, 'with two degrees it is e to minus half the sum');
        self::assertNull(Dependence::of([[4, 6]]), 'one row hangs together with nothing');
        self::assertTrue(Dependence::of([[1, 3], [2, 2]])['thin'] ?? false);
    }
}
