<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Figures that are whole only with their question: ages told by a birthday or a birth, days of a month. */
final class FiguresAskedForTest extends TestCase
{
    #[TestWith(["he'll be nine in March", 8])]
    #[TestWith(['seven next week', 6])]
    #[TestWith(['ten, eleven in June', 10])]
    #[TestWith(['he was nine in February', 9])]
    #[TestWith(['three in two weeks', 2])]
    #[TestWith(['born in 2019', 7])]
    #[TestWith(['she was born in twenty nineteen', 7])]
    #[TestWith(['she has just turned two', 2])]
    #[TestWith(['nearly ten', 10])]
    public function testAnAgeIsInYears(string $said, int $years): void
    {
        self::assertSame("P{$years}Y", $this->read(ValueType::Duration, $said, 'Y'));
    }

    #[TestWith(['three or four'])]
    #[TestWith(['I got him in 2020'])]
    public function testNoAgeIsMadeUp(string $said): void
    {
        self::assertNull($this->read(ValueType::Duration, $said, 'Y'));
    }

    public function testANumberOfYearsIsReadTheSame(): void
    {
        self::assertSame(17, $this->read(ValueType::Number, "I'll be eighteen in May", 'Y'));
        self::assertSame('P9W', $this->read(ValueType::Duration, 'nine weeks', 'Y'));
        self::assertNull($this->read(ValueType::Duration, 'nine in March', null), 'only where years were asked for');
    }

    #[TestWith(['the twenty eighth', 28])]
    #[TestWith(['the first', 1])]
    #[TestWith(['every 15th', 15])]
    public function testADayOfTheMonthIsANumberWhereItIsAskedFor(string $said, int $day): void
    {
        self::assertSame($day, $this->read(ValueType::Number, $said, null, true));
    }

    #[TestWith(['the twenty eighth'])]
    #[TestWith(["have you got a table, if there's one"])]
    #[TestWith(["on the thirty first, if you've got one"])]
    public function testNeitherAnOrdinalNorAOneThatIsSupposedIsANumber(string $said): void
    {
        self::assertNull($this->read(ValueType::Number, $said, null));
    }

    private function read(ValueType $type, string $said, ?string $unit, bool $nth = false): mixed
    {
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));

        return Understanding::in()->read($type, $said, (new Context($now, 'GB'))->asking(false, false, $unit, false, false, $nth))->value;
    }
}
