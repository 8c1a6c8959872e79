<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Numbering\NumberingPlan;
use Ringo\Numbering\NumberZones;
use Ringo\Numbering\WrittenNumber;

/** In which zones whoever has a number may be. */
final class NumberZonesTest extends TestCase
{
    /** @return iterable<array{string, string, string}> number, its country, zones; 'all' for those of the whole country */
    public static function numbers(): iterable
    {
        yield ['01632 960147', 'GB', 'Europe/London'];
        yield ['07700 900123', 'GB', 'Europe/London'];
        yield ['(212) 555-0123', 'US', 'America/New_York'];
        yield ['1-415-555-0123', 'US', 'America/Los_Angeles'];
        yield ['+1 416 555 0199', 'GB', 'America/Toronto'];
        yield ['907 555 0123', 'US', 'America/Adak America/Anchorage America/Juneau Pacific/Honolulu'];
        yield ['+1 808 555 0123', 'US', 'Pacific/Honolulu'];
        yield ['800 555 0123', 'US', 'all'];
        yield ['+1 500 555 0123', 'US', 'all'];
        yield ['0491 570 156', 'AU', 'all'];
        yield ['07 5550 1234', 'AU', 'Australia/Brisbane'];
        yield ['02 5550 1234', 'AU', 'Australia/Sydney'];
        yield ['+34 912 345 678', 'GB', 'Europe/Madrid'];
        yield ['+34 928 345 678', 'GB', 'Atlantic/Canary'];
        yield ['+34 612 345 678', 'GB', 'all'];
        yield ['+55 11 96123 4567', 'GB', 'America/Sao_Paulo'];
        yield ['+33 6 12 34 56 78', 'GB', 'Europe/Paris'];
        yield ['+383 44 123 456', 'GB', 'Europe/Belgrade'];
    }

    #[DataProvider('numbers')]
    public function testZonesOf(string $written, string $country, string $zones): void
    {
        $number = (new WrittenNumber(new NumberingPlan, $country))->read($written);
        self::assertNotNull($number);
        $areas = new NumberZones;
        self::assertSame($zones === 'all' ? $areas->ofCountry($number->country) : explode(' ', $zones), $areas->of($number));
        self::assertTrue($zones !== 'all' || count($areas->of($number)) > 1);
    }

    public function testEveryZoneOfTheTableIsOneOfTheTzDatabase(): void
    {
        /** @var array{areas: array<string, list<string>>} $table */
        $table = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/core/Numbering/zones.json'), true);
        $known = \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC);
        foreach (array_keys($table['areas']) as $zones) {
            self::assertSame([], array_diff(explode(' ', $zones), $known));
        }
    }

    public function testWhatIsNoNumberIsNotGuessed(): void
    {
        $reader = new WrittenNumber(new NumberingPlan, 'GB');
        foreach (['', '01632', 'O1632 960147', '01632 960147 or 148', '01632+960147', '01632 960147 ext', '999', '00000 000000', "01632\u{2013}960147", '+44 1632 9601471'] as $written) {
            self::assertNull($reader->read($written), $written);
        }
        foreach (['01632 960147', '(01632) 960-147', '01632/960147', '+44 (0)1632 960147', '(+44) 1632 960147', '0044 1632 960147', '44 1632 960147', '1632 960147', '01632 960147 x5', '01632.960.147;ext=5', '01632 960147 #12'] as $written) {
            self::assertSame('+441632960147', $reader->read($written)?->e164, $written);
        }
    }
}
