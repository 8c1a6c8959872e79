<?php

declare(strict_types=1);

namespace Tests\Core\Capacity;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Capacity\ErlangB;
use Ringo\Capacity\ErlangC;
use Ringo\Capacity\Load;
use Ringo\Capacity\StaffFirst;

/** Staff who ring first for so many seconds: what they take, and what it costs those they do not. */
final class StaffFirstTest extends TestCase
{
    public function testWithoutRingingItIsLinesWithoutAQueue(): void
    {
        foreach ([[20, 3], [60, 2], [180, 9]] as [$calls, $people]) {
            $load = Load::of($calls, 180);
            $first = (new StaffFirst($load))->with($people, 0.0);
            self::assertEqualsWithDelta((new ErlangB($load))->blocked($people), $first['toAgent'], 1e-9);
            self::assertSame(0.0, $first['meanRing']);
        }
    }

    public function testWhereTheyWaitForEverItIsTheQueueOfThoseWhoWait(): void
    {
        $load = Load::of(60, 180);
        $first = (new StaffFirst($load))->with(5, 50_000.0);
        self::assertEqualsWithDelta(0.0, $first['toAgent'], 1e-9);
        self::assertEqualsWithDelta((new ErlangC($load))->with(5, null)->meanWait, $first['meanRing'], 1e-6);
    }

    public function testOneWhoIsAloneIsTheTextbookQueue(): void
    {
        // M/M/1 with patience 1 and as much work as time: one state more than the boundary, P = 1 / (2 + τ/h) where λ = μ.
        $first = (new StaffFirst(Load::of(36, 100)))->with(1, 50.0);
        self::assertEqualsWithDelta(1 / (2 + 0.5), $first['toAgent'], 1e-9);
        self::assertEqualsWithDelta((new StaffFirst(Load::of(36.00001, 100)))->with(1, 50.0)['meanRing'], $first['meanRing'], 1e-4);
    }

    /** @return iterable<array{float, float, int, float}> */
    public static function halls(): iterable
    {
        yield [60, 180, 3, 15];
        yield [60, 180, 2, 30];
        yield [150, 200, 9, 20];
        yield [40, 180, 1, 10];
    }

    #[DataProvider('halls')]
    public function testASimulatedHallAgrees(float $calls, float $seconds, int $people, float $ring): void
    {
        $dice = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(hash('sha256', "hall {$calls} {$people}", true)));
        $exp = static fn (float $mean): float => -$mean * log(1 - $dice->getInt(0, PHP_INT_MAX - 1) / PHP_INT_MAX);
        $free = array_fill(0, max(1, $people), 0.0);
        $now = $rung = 0.0;
        $away = 0;
        $n = 120_000;
        for ($i = 0; $i < $n; $i++) {
            $now += $exp(3600 / $calls);
            $who = array_keys($free, min($free), true)[0];
            $wait = max(0.0, $free[$who] - $now);
            if ($wait > $ring) {
                $away++;
                $rung += $ring;

                continue;
            }
            $rung += $wait;
            $free[$who] = $now + $wait + $exp($seconds);
        }
        $first = (new StaffFirst(Load::of($calls, $seconds)))->with($people, $ring);
        self::assertEqualsWithDelta($away / $n, $first['toAgent'], 0.012);
        self::assertEqualsWithDelta($rung / $n, $first['meanRing'], 0.05 * max(1.0, $first['meanRing']));
    }

    public function testLongerRingingGivesTheAgentLessAndTakesLonger(): void
    {
        $staff = new StaffFirst(Load::of(90, 150));
        $before = $staff->with(3, 0.0);
        foreach ([5, 10, 20, 40, 80] as $seconds) {
            $now = $staff->with(3, $seconds);
            self::assertLessThan($before['toAgent'], $now['toAgent']);
            self::assertGreaterThan($before['meanRing'], $now['meanRing']);
            self::assertEqualsWithDelta($now['ringing'], 90 / 3600 * $now['meanRing'], 1e-12);
            $before = $now;
        }
        self::assertSame(['toAgent' => 1.0, 'meanRing' => 12.0, 'ringing' => 90 / 3600 * 12.0], $staff->with(0, 12.0));
        self::assertSame(0.0, (new StaffFirst(Load::of(0, 180)))->with(3, 15.0)['toAgent']);
    }

    public function testFiguresThatAreNoneAreNamed(): void
    {
        $this->expectException(\DomainException::class);
        (new StaffFirst(Load::of(90, 150)))->with(3, NAN);
    }
}
