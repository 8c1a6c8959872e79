<?php

declare(strict_types=1);

namespace Tests\Core\Diary;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Diary\Busy;
use Ringo\Diary\Diaries;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Place;
use Ringo\Diary\Reason;
use Ringo\Document\InvalidDocument;

final class FreeTimesTest extends TestCase
{
    private const MONDAY = '2026-03-09';

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, string, list<string>}> changes of business, service and diary; a day; the free starts */
    public static function cases(): iterable
    {
        yield 'a plain morning' => [[], [], [], self::MONDAY, ['09:00', '09:30', '10:00', '10:30', '11:00', '11:30']];
        yield 'a closed weekday' => [[], [], [], '2026-03-08', []];
        yield 'a closure' => [['closures' => [['from' => '2026-03-08', 'to' => '2026-03-09']]], [], [], self::MONDAY, []];
        yield 'a day with hours of its own' => [['days' => [self::MONDAY => ['10:00-11:00']]], [], [], self::MONDAY, ['10:00', '10:30']];
        yield 'whoever has hours of their own keeps them' => [['days' => [self::MONDAY => ['10:00-11:00']]], [], ['hours' => ['mon' => ['11:00-12:00']]], self::MONDAY, ['11:00', '11:30']];
        yield 'a day off' => [[], [], ['off' => ['2026-03-09']], self::MONDAY, []];
        yield 'own hours replace the business wholly' => [[], [], ['hours' => ['tue' => ['09:00-12:00']]], self::MONDAY, []];
        yield 'the whole appointment lies in one stretch' => [['hours' => ['mon' => ['09:00-10:00', '10:00-11:00']]], ['minutes' => 45], [], self::MONDAY, ['09:00', '10:00']];
        yield 'the raster begins anew with a stretch' => [['hours' => ['mon' => ['09:15-10:15', '11:10-12:10']]], [], [], self::MONDAY, ['09:15', '09:45', '11:10', '11:40']];
        yield 'a break, which does not restart the raster' => [[], ['minutes' => 30, 'step' => 20], ['breaks' => ['mon' => ['10:10-10:30']]], self::MONDAY, ['09:00', '09:20', '09:40', '10:40', '11:00', '11:20']];
        yield 'daily and weekday breaks add up' => [[], [], ['breaks' => ['daily' => ['09:00-09:30'], 'mon' => ['11:30-12:00']]], self::MONDAY, ['09:30', '10:00', '10:30', '11:00']];
        yield 'margins may fall into a break and outside hours' => [[], ['before' => 30, 'after' => 30], ['breaks' => ['daily' => ['10:00-10:30']]], self::MONDAY, ['09:00', '09:30', '10:30', '11:00', '11:30']];
        yield 'touching is allowed' => [[], [], ['busy' => [['from' => '2026-03-09T10:00', 'to' => '2026-03-09T11:00']]], self::MONDAY, ['09:00', '09:30', '11:00', '11:30']];
        yield 'margins keep off appointments' => [[], ['before' => 15, 'after' => 10], ['busy' => [['from' => '2026-03-09T10:00', 'to' => '2026-03-09T11:00']]], self::MONDAY, ['09:00', '11:30']];
        yield 'notice, exactly' => [[], ['notice_hours' => 22], [], self::MONDAY, ['10:00', '10:30', '11:00', '11:30']];
        yield 'the last day' => [[], ['ahead_days' => 1], [], self::MONDAY, ['09:00', '09:30', '10:00', '10:30', '11:00', '11:30']];
        yield 'further ahead' => [[], ['ahead_days' => 0], [], self::MONDAY, []];
        yield 'a full day' => [[], [], ['most_a_day' => 1, 'busy' => [['from' => '2026-03-09T07:00', 'to' => '2026-03-09T07:30']]], self::MONDAY, []];
        yield 'what began the day before does not count' => [[], [], ['most_a_day' => 1, 'busy' => [['from' => '2026-03-08T23:00', 'to' => '2026-03-09T07:30']]], self::MONDAY, ['09:00', '09:30', '10:00', '10:30', '11:00', '11:30']];
        yield 'places of a class' => [[], ['places' => 2, 'minutes' => 60, 'step' => 60], ['busy' => [['from' => '2026-03-09T09:00', 'to' => '2026-03-09T10:00', 'service' => 'visit'], ['from' => '2026-03-09T10:00', 'to' => '2026-03-09T11:00', 'service' => 'visit'], ['from' => '2026-03-09T10:00', 'to' => '2026-03-09T11:00', 'service' => 'visit']]], self::MONDAY, ['09:00', '11:00']];
        yield 'the way from and to' => [['travel' => ['default' => 40, 'pairs' => [['north', 'south', 25]]]], ['place' => 'visit', 'step' => 5, 'minutes' => 30], ['base' => 'north', 'busy' => [['from' => '2026-03-09T09:30', 'to' => '2026-03-09T10:00', 'area' => 'south'], ['from' => '2026-03-09T11:30', 'to' => '2026-03-09T11:45']]], self::MONDAY, ['10:25', '10:30', '10:35', '10:40', '10:45', '10:50', '10:55', '11:00']];
        yield 'a skipped hour is never offered' => [['hours' => ['sun' => ['00:30-03:00']]], [], [], '2026-03-29', ['00:30', '02:00', '02:30']];
        yield 'a doubled hour once' => [['hours' => ['sun' => ['00:30-02:30']]], ['ahead_days' => 400], [], '2026-10-25', ['00:30', '01:00', '01:30', '02:00']];
    }

    /**
     * @param array<string, mixed> $business
     * @param array<string, mixed> $service
     * @param array<string, mixed> $diary
     * @param list<string> $wanted
     */
    #[DataProvider('cases')]
    public function testFindsTheFreeStarts(array $business, array $service, array $diary, string $date, array $wanted): void
    {
        $diaries = self::diaries($business, $service, $diary);
        $found = array_keys((new FreeTimes($diaries))->on($diaries->services['visit'], $date, strtotime('2026-03-08T12:00Z'), ($service['place'] ?? '') === 'visit' ? 'north' : null));
        self::assertSame($wanted, array_map(static fn (int $start): string => (new \DateTimeImmutable('@'.$start))->setTimezone($diaries->tz)->format('H:i'), $found));
    }

    public function testSaysWhyATimeIsNotFree(): void
    {
        $diaries = self::diaries(['closures' => ['2026-03-10']], ['notice_hours' => 1, 'before' => 10, 'ahead_days' => 20], ['breaks' => ['daily' => ['10:00-10:30']], 'busy' => [['from' => '2026-03-09T11:00', 'to' => '2026-03-09T11:30']], 'off' => ['2026-03-11']]);
        $free = new FreeTimes($diaries);
        $why = static fn (string $at): ?Reason => $free->why($diaries->services['visit'], $diaries->diaries['ann'], (new \DateTimeImmutable($at, $diaries->tz))->getTimestamp(), strtotime('2026-03-08T12:00Z'));
        self::assertSame([null, Reason::TooSoon, Reason::Closure, Reason::Off, Reason::Closed, Reason::Break, Reason::Busy, Reason::Margin, Reason::TooFar, Reason::Raster], [$why('2026-03-09T09:00'), $why('2026-03-08T12:30'), $why('2026-03-10T09:00'), $why('2026-03-11T09:00'), $why('2026-03-09T14:00'), $why('2026-03-09T10:00'), $why('2026-03-09T11:00'), $why('2026-03-09T11:30'), $why('2026-03-30T09:00'), $why('2026-03-09T09:10')]);
    }

    public function testWhatIsNeededBesideMustBeFree(): void
    {
        $data = self::data([], ['with' => ['van']], []);
        $data['diaries'][] = ['key' => 'van', 'name' => 'Van', 'services' => [], 'busy' => [['from' => '2026-03-09T09:00', 'to' => '2026-03-09T11:00']]];
        $diaries = Diaries::fromArray($data);
        self::assertSame(['11:00', '11:30'], array_map(static fn (int $start): string => gmdate('H:i', $start), array_keys((new FreeTimes($diaries))->on($diaries->services['visit'], self::MONDAY, strtotime('2026-03-08T12:00Z')))));
    }

    public function testADiaryOfAnotherZoneKeepsItsOwnHours(): void
    {
        $diaries = self::diaries([], [], ['tz' => 'America/New_York', 'hours' => ['mon' => ['09:00-10:00']]]);
        $found = array_keys((new FreeTimes($diaries))->on($diaries->services['visit'], self::MONDAY, strtotime('2026-03-08T12:00Z')));
        self::assertSame(['13:00', '13:30'], array_map(static fn (int $start): string => gmdate('H:i', $start), $found));
    }

    /** Whatever is offered overlaps nothing, and whatever is not offered has a reason: against a checker of its own, over random diaries. */
    public function testHoldsOverRandomDiaries(): void
    {
        mt_srand(15);
        for ($round = 0; $round < 60; $round++) {
            $busy = [];
            for ($n = mt_rand(0, 6); $n > 0; $n--) {
                $from = strtotime('2026-03-09T08:00Z') + 300 * mt_rand(0, 120);
                $busy[] = ['from' => gmdate('Y-m-d\TH:i', $from), 'to' => gmdate('Y-m-d\TH:i', $from + 300 * mt_rand(1, 12)), 'area' => ['north', 'south', 'east'][mt_rand(0, 2)]];
            }
            $service = ['minutes' => 5 * mt_rand(3, 18), 'before' => 5 * mt_rand(0, 4), 'after' => 5 * mt_rand(0, 4), 'step' => 5 * mt_rand(1, 9), 'place' => mt_rand(0, 1) === 1 ? 'visit' : 'here'];
            $diaries = self::diaries(['hours' => ['mon' => ['08:00-12:30', '13:00-18:00']], 'travel' => ['default' => 20, 'pairs' => [['north', 'south', 35]]]], $service, ['breaks' => ['daily' => ['10:00-10:20']], 'busy' => $busy, 'base' => 'east']);
            $free = new FreeTimes($diaries);
            $one = $diaries->services['visit'];
            $starts = array_keys($free->on($one, self::MONDAY, strtotime('2026-03-08T12:00Z'), 'north'));
            for ($at = strtotime('2026-03-09T07:00Z'); $at < strtotime('2026-03-09T19:00Z'); $at += 300) {
                $why = $free->why($one, $diaries->diaries['ann'], $at, strtotime('2026-03-08T12:00Z'), 'north');
                self::assertSame(in_array($at, $starts, true), $why === null, gmdate('H:i', $at).' '.($why->value ?? 'free').' '.json_encode([$service, $busy]));
                self::assertFalse($why === null && $this->clashes($diaries, $at), gmdate('H:i', $at).json_encode([$service, $busy]));
            }
            // What is booked was free, and taking it away restores what was free before.
            if ($starts !== []) {
                $booked = $diaries->withBusy(['ann' => [new Busy($starts[0], $starts[0] + 60 * $one->minutes, 'north', 'visit')]]);
                self::assertArrayNotHasKey($starts[0], (new FreeTimes($booked))->on($one, self::MONDAY, strtotime('2026-03-08T12:00Z'), 'north'));
                self::assertSame($starts, array_keys((new FreeTimes($diaries))->on($one, self::MONDAY, strtotime('2026-03-08T12:00Z'), 'north')));
            }
        }
    }

    public function testSaysWhereAFileIsWrong(): void
    {
        try {
            Diaries::fromArray(['tz' => 'Europe/Nowhere', 'hours' => ['mon' => ['9-12'], 'moon' => []], 'services' => [['key' => 'a', 'minutes' => 0]], 'diaries' => [['key' => 'x', 'services' => ['b'], 'busy' => [['from' => 'soon', 'to' => '2026-03-09T10:00']]]], 'travel' => ['default' => 5, 'pairs' => [['a']]], 'share' => 'dice', 'nonsense' => 1]);
            self::fail('it was taken');
        } catch (InvalidDocument $problem) {
            $paths = array_column($problem->problems, 'path');
            foreach (['tz', 'hours.mon[0]', 'hours.moon', 'services[0].minutes', 'diaries[0].services', 'diaries[0].busy[0].from', 'travel.pairs[0]', 'share', 'nonsense'] as $path) {
                self::assertContains($path, $paths);
            }
        }
    }

    /** A checker that knows none of the code it checks. */
    private function clashes(Diaries $diaries, int $start): bool
    {
        $service = $diaries->services['visit'];
        $end = $start + 60 * $service->minutes;
        $minute = (int) gmdate('G', $start) * 60 + (int) gmdate('i', $start);
        $inside = $minute >= 480 && $minute + $service->minutes <= 750 || $minute >= 780 && $minute + $service->minutes <= 1080;
        $break = $minute < 620 && $minute + $service->minutes > 600;
        $clash = ! $inside || $break;
        foreach ($diaries->diaries['ann']->busy as $busy) {
            $clash = $clash || $start - 60 * $service->before < $busy->to && $end + 60 * $service->after > $busy->from;
            if ($service->place === Place::Visit) {
                $between = ['north' => 0, 'south' => 35, 'east' => 20][$busy->area ?? 'east'] * 60;
                $last = true;
                $next = true;
                foreach ($diaries->diaries['ann']->busy as $other) {
                    $last = $last && ! ($other->to <= $start && $other->to > $busy->to);
                    $next = $next && ! ($other->from >= $end && $other->from < $busy->from);
                }
                $clash = $clash || $busy->to <= $start && $last && $busy->to + $between + 60 * $service->before > $start && ! $this->rival($diaries, $busy, $start, true);
                $clash = $clash || $busy->from >= $end && $next && $end + $between + 60 * $service->after > $busy->from && ! $this->rival($diaries, $busy, $end, false);
            }
        }

        return $clash;
    }

    /** Whether another appointment stands at the same edge: which of the two is the one before is nobody's to say. */
    private function rival(Diaries $diaries, Busy $busy, int $edge, bool $before): bool
    {
        foreach ($diaries->diaries['ann']->busy as $other) {
            if ($other !== $busy && ($before ? $other->to === $busy->to && $other->to <= $edge : $other->from === $busy->from && $other->from >= $edge)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, mixed> $business
     * @param array<string, mixed> $service
     * @param array<string, mixed> $diary
     */
    private static function diaries(array $business, array $service, array $diary): Diaries
    {
        return Diaries::fromArray(self::data($business, $service, $diary));
    }

    /**
     * @param array<string, mixed> $business
     * @param array<string, mixed> $service
     * @param array<string, mixed> $diary
     *
     * @return array<string, mixed>
     */
    private static function data(array $business, array $service, array $diary): array
    {
        return $business + ['tz' => 'Europe/London', 'hours' => ['mon' => ['09:00-12:00'], 'tue' => ['09:00-12:00'], 'wed' => ['09:00-12:00']], 'services' => [$service + ['key' => 'visit', 'label' => 'a visit', 'minutes' => 30, 'step' => 30]], 'diaries' => [$diary + ['key' => 'ann', 'name' => 'Ann', 'services' => ['visit']]]];
    }
}
