<?php

declare(strict_types=1);

namespace Tests\Core\Brief;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Brief\Holidays;

/** Public holidays against the lists that were published. */
final class HolidaysTest extends TestCase
{
    /** @param list<string> $published weekdays on which the holidays were kept */
    #[DataProvider('published')]
    public function testAsPublished(string $region, int $year, array $published): void
    {
        $weekdays = array_values(array_filter(array_keys((new Holidays($region))->of($year)), static fn (string $date): bool => (int) (new \DateTimeImmutable($date))->format('N') < 6));

        self::assertSame($published, $weekdays);
    }

    /** @return iterable<string, array{string, int, list<string>}> */
    public static function published(): iterable
    {
        yield 'England, 2026' => ['GB-ENG', 2026, ['2026-01-01', '2026-04-03', '2026-04-06', '2026-05-04', '2026-05-25', '2026-08-31', '2026-12-25', '2026-12-28']];
        yield 'England, 2027: Christmas on a Saturday' => ['GB-ENG', 2027, ['2027-01-01', '2027-03-26', '2027-03-29', '2027-05-03', '2027-05-31', '2027-08-30', '2027-12-27', '2027-12-28']];
        yield 'England, 2028: New Year on a Saturday' => ['GB-ENG', 2028, ['2028-01-03', '2028-04-14', '2028-04-17', '2028-05-01', '2028-05-29', '2028-08-28', '2028-12-25', '2028-12-26']];
        yield 'Scotland, 2026' => ['GB-SCT', 2026, ['2026-01-01', '2026-01-02', '2026-04-03', '2026-05-04', '2026-05-25', '2026-08-03', '2026-11-30', '2026-12-25', '2026-12-28']];
        yield 'Scotland, 2028: both days of the New Year at a weekend' => ['GB-SCT', 2028, ['2028-01-03', '2028-01-04', '2028-04-14', '2028-05-01', '2028-05-29', '2028-08-07', '2028-11-30', '2028-12-25', '2028-12-26']];
        yield 'Northern Ireland, 2026' => ['GB-NIR', 2026, ['2026-01-01', '2026-03-17', '2026-04-03', '2026-04-06', '2026-05-04', '2026-05-25', '2026-07-13', '2026-08-31', '2026-12-25', '2026-12-28']];
        yield 'Ireland, 2026' => ['IE', 2026, ['2026-01-01', '2026-02-02', '2026-03-17', '2026-04-06', '2026-05-04', '2026-06-01', '2026-08-03', '2026-10-26', '2026-12-25']];
        yield 'Ireland, 2030: St Brigid’s on a Friday' => ['IE', 2030, ['2030-01-01', '2030-02-01', '2030-04-22', '2030-05-06', '2030-06-03', '2030-08-05', '2030-10-28', '2030-12-25', '2030-12-26']];
        yield 'United States, 2026: Independence Day on a Saturday' => ['US', 2026, ['2026-01-01', '2026-01-19', '2026-02-16', '2026-05-25', '2026-06-19', '2026-07-03', '2026-09-07', '2026-10-12', '2026-11-11', '2026-11-26', '2026-12-25']];
        yield 'United States, 2027: the next New Year is kept in this one' => ['US', 2027, ['2027-01-01', '2027-01-18', '2027-02-15', '2027-05-31', '2027-06-18', '2027-07-05', '2027-09-06', '2027-10-11', '2027-11-11', '2027-11-25', '2027-12-24', '2027-12-31']];
    }

    public function testBothTheDayAndTheDayInLieuHaveTheirName(): void
    {
        $days = (new Holidays('GB-ENG'))->of(2026);
        self::assertSame('Boxing Day', $days['2026-12-26']);
        self::assertSame('Boxing Day, in lieu', $days['2026-12-28']);
    }

    public function testARegionThatIsNotThereIsRefused(): void
    {
        $this->expectException(\OutOfBoundsException::class);
        (new Holidays('FR'))->of(2026);
    }
}
