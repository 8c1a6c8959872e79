<?php

declare(strict_types=1);

namespace Tests\Core\Capacity;

use PHPUnit\Framework\TestCase;
use Ringo\Capacity\Week;

final class WeekTest extends TestCase
{
    public function test_calls_are_counted_by_hour_of_the_week(): void
    {
        $week = new Week(4);
        self::assertNull($week->length());
        self::assertNull($week->busiest());
        self::assertSame([8, 17], $week->hours());
        foreach ([[1, 9, 0, 60.0], [1, 9, 0, 120.0], [1, 9, 2, 90.0], [5, 16, 3, 30.0]] as [$day, $hour, $which, $seconds]) {
            $week->add($day, $hour, $which, $seconds);
        }
        self::assertSame([0.75, 2], [$week->mean(1, 9), $week->most(1, 9)]);
        self::assertSame([0.0, 0], [$week->mean(2, 9), $week->most(2, 9)]);
        self::assertSame([4, 75.0], [$week->calls(), $week->length()]);
        self::assertSame([9, 16], $week->hours());
        self::assertSame([1, 9], $week->busiest());
    }
}
