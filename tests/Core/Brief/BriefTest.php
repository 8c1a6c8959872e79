<?php

declare(strict_types=1);

namespace Tests\Core\Brief;

use PHPUnit\Framework\TestCase;
use Ringo\Brief\Brief;
use Ringo\Brief\BriefInWords;
use Ringo\Document\InvalidDocument;
use Ringo\Script\Hours;

/** What is true of a business, and when it is open. */
final class BriefTest extends TestCase
{
    private const HOURS = ['mon' => ['08:00-12:30', '13:15-17:00'], 'tue' => ['08:00-17:00'], 'sat' => ['09:00-12:00']];

    public function testWhatIsNearerToADayGoesFirst(): void
    {
        $hours = $this->brief()->hours;
        self::assertSame([[480, 750], [795, 1020]], $hours->on('2026-11-09')->open, 'an ordinary Monday');
        self::assertTrue($hours->on('2026-11-09')->usual);
        self::assertSame([], $hours->on('2026-11-11')->open, 'an ordinary Wednesday is closed, and that is usual');
        self::assertTrue($hours->on('2026-11-11')->usual);
        self::assertSame([[420, 1140]], $hours->on('2026-07-06')->open, 'summer');
        self::assertSame('summer hours', $hours->on('2026-07-06')->why);
        self::assertSame(['', []], [$hours->on('2026-05-04')->usual ? 'usual' : '', $hours->on('2026-05-04')->open], 'a bank holiday');
        self::assertSame('Early May bank holiday', $hours->on('2026-05-04')->why);
        self::assertSame('stock taking', $hours->on('2026-11-17')->why);
        self::assertSame([[540, 720]], $hours->on('2026-12-24')->open);
        self::assertNotSame([], $hours->on('2026-04-06')->open, 'open on Easter Monday all the same');
        self::assertSame([[600, 720]], $hours->on('2026-08-31')->open, 'the hours of that very day beat the bank holiday');
    }

    public function testASeasonMayReachOverNewYear(): void
    {
        $brief = Brief::fromArray(['hours' => self::HOURS, 'seasons' => [['name' => 'winter hours', 'from' => '11-15', 'to' => '01-31', 'hours' => ['mon' => ['09:00-16:00']]]]]);
        foreach (['2026-11-16', '2026-12-28', '2027-01-25'] as $monday) {
            self::assertSame([[540, 960]], $brief->hours->on($monday)->open, $monday);
        }
        self::assertNotSame([[540, 960]], $brief->hours->on('2027-02-01')->open);
    }

    public function testWrittenAndReadAgainItIsTheSame(): void
    {
        $brief = $this->brief();
        self::assertEquals($brief, Brief::fromArray($brief->toArray()));
    }

    public function testWhatIsWrongIsNamedWithItsPlace(): void
    {
        try {
            Brief::fromArray(['hours' => ['mon' => ['8 to 5']], 'holidays' => ['region' => 'XX'], 'closures' => [['from' => '2026-12-31', 'to' => '2026-12-24']], 'seasons' => [['name' => 'x', 'from' => '13-01', 'to' => '02-30']], 'sites' => [['key' => 'A', 'name' => 'a']], 'hous' => []]);
            self::fail('It was taken.');
        } catch (InvalidDocument $problem) {
            $told = implode("\n", array_map(static fn (array $one): string => $one['path'].' '.$one['message'], $problem->problems));
        }
        foreach (['hours.mon[0]', 'holidays.region', 'closures[0].to', 'seasons[0].from', 'seasons[0].to', 'sites[0].key', 'hous is not a known key; did you mean “hours”?'] as $place) {
            self::assertStringContainsString($place, $told);
        }
    }

    public function testItIsADocumentToAnswerFrom(): void
    {
        $text = (new BriefInWords)->markdown($this->brief(), 'Harbottle Pianos', '2026-11-28');
        self::assertStringContainsString('On Mondays Harbottle Pianos is open from 8 am to 12.30 pm and from 1.15 pm to 5 pm.', $text);
        self::assertStringContainsString('On Sundays Harbottle Pianos is closed.', $text);
        self::assertStringContainsString('We are closed on Friday 25 December 2026 (Christmas Day).', $text);
        self::assertStringContainsString('On Thursday 24 December 2026 (Christmas Eve) we are open from 9 am to 12 pm.', $text);
        self::assertStringContainsString('The telephone number of the workshop is 01632 960 140.', $text);
        self::assertStringNotContainsString('stock taking', $text, 'what is past is not told');
    }

    public function testAScriptWithoutHoursOfItsOwnIsOpenAsTheBriefSays(): void
    {
        $hours = Hours::of($this->brief()->hours);
        $at = static fn (string $moment): \DateTimeImmutable => new \DateTimeImmutable($moment, new \DateTimeZone('Europe/London'));
        self::assertTrue($hours->openAt($at('2026-11-09 09:00')));
        self::assertFalse($hours->openAt($at('2026-11-09 12:45')));
        self::assertFalse($hours->openAt($at('2026-12-25 09:00')));
        self::assertSame('Christmas Day', $hours->why($at('2026-12-25')));
        self::assertSame('2026-12-29 08:00', $hours->nextOpening($at('2026-12-25 09:00'))?->format('Y-m-d H:i'), 'over Christmas, a weekend and a day in lieu');
    }

    private function brief(): Brief
    {
        return Brief::fromArray([
            'format' => 'ringo-brief/1', 'spoken' => 'Harbottle Pianos', 'profile' => 'We tune and mend pianos.', 'hours' => self::HOURS,
            'seasons' => [['name' => 'summer hours', 'from' => '06-01', 'to' => '08-31', 'hours' => ['mon' => ['07:00-19:00']]]],
            'closures' => [['from' => '2026-11-16', 'to' => '2026-11-18', 'why' => 'stock taking']],
            'days' => [['date' => '2026-12-24', 'hours' => ['09:00-12:00'], 'why' => 'Christmas Eve'], ['date' => '2026-08-31', 'hours' => ['10:00-12:00']]],
            'holidays' => ['region' => 'GB-ENG', 'open' => ['Easter Monday']],
            'sites' => [['key' => 'workshop', 'name' => 'the workshop', 'address' => '4 Mill Lane, Oldmere', 'phone' => '01632 960 140']],
        ]);
    }
}
