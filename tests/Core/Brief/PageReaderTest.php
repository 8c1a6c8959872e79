<?php

declare(strict_types=1);

namespace Tests\Core\Brief;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Brief\PageReader;
use Ringo\Brief\WrittenHours;

/** What a page of a client's site says of it. */
final class PageReaderTest extends TestCase
{
    /** @param array<string, list<string>> $week */
    #[DataProvider('hours')]
    public function testHoursAsPagesWriteThem(string $text, array $week): void
    {
        self::assertSame($week, (new WrittenHours)->week($text));
    }

    /** @return iterable<string, array{string, array<string, list<string>>}> */
    public static function hours(): iterable
    {
        $all = static fn (string $span, string ...$days): array => array_fill_keys($days, [$span]);
        yield 'a dash' => ['Mon–Wed 8am–5.30pm', $all('08:00-17:30', 'mon', 'tue', 'wed')];
        yield 'for machines' => ['Mo-Tu 08:00-17:00', $all('08:00-17:00', 'mon', 'tue')];
        yield 'words' => ['Saturday 9 to 12. Sundays closed', $all('09:00-12:00', 'sat')];
        yield 'noon' => ['Monday to Tuesday: 7.30am to 5pm Saturday: 8am - noon', [...$all('07:30-17:00', 'mon', 'tue'), 'sat' => ['08:00-12:00']]];
        yield 'without halves' => ['Weekdays 9-5', $all('09:00-17:00', 'mon', 'tue', 'wed', 'thu', 'fri')];
        yield 'listed days' => ['Tue, Thu and Sat 10:00-16:00', $all('10:00-16:00', 'tue', 'thu', 'sat')];
        yield 'a break' => ['Mon 9am-12.30pm and 1.30pm-5pm; Thu 1-8pm', ['mon' => ['09:00-12:30', '13:30-17:00'], 'thu' => ['13:00-20:00']]];
        yield 'over the week’s end' => ['Sat-Mon 10-4', ['mon' => ['10:00-16:00'], 'sat' => ['10:00-16:00'], 'sun' => ['10:00-16:00']]];
        yield 'until midnight' => ['Fri 18:00 - midnight', $all('18:00-24:00', 'fri')];
        yield 'nothing' => ['We are a family firm since 1974. Call 9 to 5 people.', []];
        yield 'no such hour' => ['Mon 31:00-45:00', []];
    }

    public function testWhatIsToldToMachinesGoesBeforeWhatIsMarkedAndWritten(): void
    {
        $facts = $this->facts('<h1>Heading</h1><p itemprop="telephone">01632 960999</p><p>Open Mon-Fri 9-5</p><script type="application/ld+json">{"@graph": [{"@type": "WebSite", "name": "x"}, {"@type": "Store", "name": "Harbottle Pianos", "telephone": "01632 960140", "address": {"streetAddress": "4 Mill Lane", "addressLocality": "Oldmere"}, "openingHours": ["Mo-Fr 08:00-17:00"]}]}</script>');
        self::assertSame('Harbottle Pianos', $facts['spoken']['value']);
        self::assertSame('01632 960140', $facts['phone']['value']);
        self::assertSame('4 Mill Lane, Oldmere', $facts['address']['value']);
        self::assertSame(['08:00-17:00'], ((array) $facts['hours']['value'])['mon']);
    }

    public function testMicrodataAndPlainWordsAreReadWithTheirPlace(): void
    {
        $facts = $this->facts('<meta name="description" content="We mend clocks."><h1>Fenwater Clocks</h1><div itemscope><span itemprop="streetAddress">9 Quay</span> <span itemprop="addressLocality">Fenwater</span><time itemprop="openingHours" datetime="Tu-Th 10:00-16:00">midweek</time></div><p>Telephone: 01632 960 777</p>');
        self::assertSame(['Fenwater Clocks', 'the heading of the page'], [$facts['spoken']['value'], $facts['spoken']['from']]);
        self::assertSame(['We mend clocks.', '9 Quay, Fenwater', '01632 960 777'], [$facts['profile']['value'], $facts['address']['value'], $facts['phone']['value']]);
        self::assertSame(['tue', 'wed', 'thu'], array_keys((array) $facts['hours']['value']));
        self::assertSame('marked on the page (microdata)', $facts['hours']['from']);
    }

    public function testHostilePagesEndQuickly(): void
    {
        $began = hrtime(true);
        foreach ([str_repeat('<div>', 100_000), '<script type="application/ld+json">'.str_repeat('[', 5000).'</script>', "\xff\xfe<h1>\0</h1>", '', '<script type="application/ld+json">{"address": {"streetAddress": ["a"]}, "openingHoursSpecification": "x", "telephone": {"a": 1}}</script>', str_repeat('mon-', 200_000), str_repeat('mon 9am-', 100_000)] as $page) {
            (new PageReader)->facts($page);
        }
        self::assertLessThan(5.0, (hrtime(true) - $began) / 1e9);
    }

    /** @return array<string, array{what: string, value: string|array<string, list<string>>, words: string, from: string}> */
    private function facts(string $html): array
    {
        return array_column((new PageReader)->facts($html), null, 'what');
    }
}
