<?php

declare(strict_types=1);

namespace Tests\Core\Outreach;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Outreach\Planner;

/** When people of a list are rung, and why not: told cases first, then a slow second way to the same moment over many drawn people. */
final class PlannerTest extends TestCase
{
    private const CAMPAIGN = [
        'key' => 'collection', 'purpose' => 'reminders', 'country' => 'GB',
        'windows' => ['mon' => ['09:00-12:30', '13:30-19:00'], 'tue' => ['09:00-12:30', '13:30-19:00'], 'wed' => ['09:00-19:00'], 'thu' => ['09:00-19:00'], 'fri' => ['09:00-17:00']],
        'holidays' => ['2026-05-25'], 'start' => '2026-05-04', 'end' => '2026-05-29',
        'attempts' => ['most' => 4, 'after' => ['busy' => 'PT20M', 'no_answer' => 'PT3H', 'voicemail' => 'P1D', 'hung_up' => 'P2D']],
        'per_person' => ['day' => 2, 'week' => 3], 'consent' => true, 'complaint_days' => 90,
    ];

    private const PERSON = ['id' => 'a', 'phone' => '01632 960147', 'consent' => '2026-01-01', 'consent_purpose' => 'reminders'];

    /** @return iterable<string, array{array<string, string>, string, ?string, ?string}> what differs, now, next, why */
    public static function told(): iterable
    {
        $now = '2026-05-05T09:00+01:00';
        yield 'at once' => [[], $now, '2026-05-05T09:00+01:00', null];
        yield 'seconds go up to the next minute' => [[], '2026-05-05T09:00:01+01:00', '2026-05-05T09:01+01:00', null];
        yield 'a window is half open' => [[], '2026-05-05T12:30+01:00', '2026-05-05T13:30+01:00', null];
        yield 'before the start' => [[], '2026-04-01T10:00+01:00', '2026-05-04T09:00+01:00', null];
        yield 'over the weekend and a holiday' => [[], '2026-05-22T17:00+01:00', '2026-05-26T09:00+01:00', null];
        yield 'the last minute of the last day' => [[], '2026-05-29T16:59+01:00', '2026-05-29T16:59+01:00', null];
        yield 'after the end' => [[], '2026-05-29T17:00+01:00', null, 'ended'];
        yield 'no number' => [['phone' => '01632 96014x'], $now, null, 'bad_number'];
        yield 'too short' => [['phone' => '01632 96'], $now, null, 'bad_number'];
        yield 'a plus in the middle' => [['phone' => '01632+960147'], $now, null, 'bad_number'];
        yield 'an extension' => [['phone' => '01632 960147 ext. 12'], $now, '2026-05-05T09:00+01:00', null];
        yield 'a zero in brackets' => [['phone' => '+44 (0)1632 960147'], $now, '2026-05-05T09:00+01:00', null];
        yield 'dialled from abroad' => [['phone' => '0044 1632 960147'], $now, '2026-05-05T09:00+01:00', null];
        yield 'the plus was lost' => [['phone' => '441632960147'], $now, '2026-05-05T09:00+01:00', null];
        yield 'a number before do not call' => [['phone' => 'x', 'do_not_call' => 'yes'], $now, null, 'bad_number'];
        yield 'do not call before all else' => [['do_not_call' => 'yes', 'done' => 'yes', 'consent' => ''], $now, null, 'do_not_call'];
        yield 'done' => [['done' => 'yes', 'consent' => ''], $now, null, 'done'];
        yield 'no consent' => [['consent' => ''], $now, null, 'no_consent'];
        yield 'consent of today' => [['consent' => '2026-05-05'], $now, '2026-05-05T09:00+01:00', null];
        yield 'consent of tomorrow' => [['consent' => '2026-05-06'], $now, null, 'no_consent'];
        yield 'consent to something else' => [['consent_purpose' => 'survey'], $now, null, 'no_consent'];
        yield 'consent to nothing named' => [['consent_purpose' => ''], $now, null, 'no_consent'];
        yield 'a complaint ninety days ago' => [['complaint' => '2026-02-04'], $now, null, 'complaint'];
        yield 'a complaint before that' => [['complaint' => '2026-02-03'], $now, '2026-05-05T09:00+01:00', null];
        yield 'four attempts' => [['attempts' => '2026-05-01T10:00 busy; 2026-05-01T11:00 busy; 2026-05-02T10:00 busy; 2026-05-02T11:00 busy'], $now, null, 'attempts_used'];
        yield 'others are not counted as ours' => [['attempts' => '2026-04-01T10:00 busy; 2026-04-01T11:00 busy; 2026-04-02T10:00 other:busy; 2026-04-02T11:00 busy'], $now, '2026-05-05T09:00+01:00', null];
        yield 'busy, twenty minutes' => [['attempts' => '2026-05-05T08:55 busy'], $now, '2026-05-05T09:15+01:00', null];
        yield 'voicemail, the same time tomorrow' => [['attempts' => '2026-05-05T15:10 voicemail'], '2026-05-05T16:00+01:00', '2026-05-06T15:10+01:00', null];
        yield 'an outcome without a pause' => [['attempts' => '2026-05-05T08:55 engaged_elsewhere'], $now, '2026-05-05T09:00+01:00', null];
        yield 'asked for later replaces the pause' => [['attempts' => '2026-05-05T08:55 hung_up', 'asked_for' => '2026-05-05T18:00'], $now, '2026-05-05T18:00+01:00', null];
        yield 'asked for before the last attempt is void' => [['attempts' => '2026-05-05T08:55 busy', 'asked_for' => '2026-05-05T08:55'], $now, '2026-05-05T09:15+01:00', null];
        yield 'asked for at night waits for the window' => [['asked_for' => '2026-05-05T22:00'], $now, '2026-05-06T09:00+01:00', null];
        yield 'twice today is enough, whoever rang' => [['attempts' => '2026-05-05T08:00 busy; 2026-05-05T08:30 other:reached'], $now, '2026-05-06T09:00+01:00', null];
        yield 'three times this week is enough' => [['attempts' => '2026-05-04T08:00 busy; 2026-05-04T08:30 other:reached; 2026-05-05T08:00 other:busy'], $now, '2026-05-11T09:00+01:00', null];
        yield 'their zone, not ours' => [['phone' => '+1 212 555 0123'], $now, '2026-05-05T09:00-04:00', null];
        yield 'the list knows better where they are' => [['phone' => '+1 212 555 0123', 'tz' => 'Europe/London'], $now, '2026-05-05T09:00+01:00', null];
        yield 'a number free to call may be anywhere in the country' => [['phone' => '+1 800 555 0123'], $now, '2026-05-06T09:00-10:00', null];
        yield 'an area in two zones' => [['phone' => '+1 928 555 0123', 'tz' => ''], $now, '2026-05-05T09:00-07:00', null];
    }

    /** @param array<string, string> $differs */
    #[DataProvider('told')]
    public function test_told(array $differs, string $now, ?string $next, ?string $why): void
    {
        $planned = (new Planner(Campaign::fromArray(self::CAMPAIGN)))->plan(Listed::of([...self::PERSON, ...$differs]), self::at($now));

        self::assertSame([$next, $why], [$planned->written, $planned->why?->value]);
    }

    public function test_across_both_changes_of_the_clock(): void
    {
        $night = [...self::CAMPAIGN, 'windows' => ['sun' => ['00:30-03:30']], 'start' => '2026-03-28', 'end' => '2026-10-26', 'holidays' => []];
        $planner = new Planner(Campaign::fromArray($night));
        // 01:30 on 29 March does not exist: it moves to 02:00, and the window is an hour shorter.
        self::assertSame('2026-03-29T02:00+01:00', $planner->plan(Listed::of([...self::PERSON, 'asked_for' => '2026-03-29T01:30']), self::at('2026-03-28T12:00Z'))->written);
        // On 25 October 01:30 comes twice: what is written is the first, and the window is open in both.
        self::assertSame('2026-10-25T01:30+01:00', $planner->plan(Listed::of([...self::PERSON, 'asked_for' => '2026-10-25T01:30']), self::at('2026-10-24T12:00Z'))->written);
        self::assertSame('2026-10-25T01:10+00:00', $planner->plan(Listed::of(self::PERSON), self::at('2026-10-25T01:10Z'))->written);
        // A day's pause is a calendar day: 23 hours over the change.
        $daily = Campaign::fromArray([...$night, 'windows' => array_fill_keys(['sat', 'sun', 'mon'], ['00:00-24:00'])]);
        self::assertSame('2026-03-29T10:00+01:00', (new Planner($daily))->plan(Listed::of([...self::PERSON, 'attempts' => '2026-03-28T10:00 voicemail']), self::at('2026-03-28T12:00Z'))->written);
    }

    public function test_the_week_of_the_year_of_the_week(): void
    {
        $planner = new Planner(Campaign::fromArray([...self::CAMPAIGN, 'start' => '2026-12-28', 'end' => '2027-01-15', 'per_person' => ['day' => 9, 'week' => 2]]));
        // 1 January 2027 stands in the last week of 2026.
        $planned = $planner->plan(Listed::of([...self::PERSON, 'attempts' => '2026-12-30T10:00 busy; 2026-12-31T10:00 busy']), self::at('2027-01-01T10:00Z'));
        self::assertSame('2027-01-04T09:00+00:00', $planned->written);
    }

    public function test_whoever_is_drawn_is_rung_at_the_first_moment_that_holds(): void
    {
        mt_srand(11);
        $zones = ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu', ''];
        for ($n = 0; $n < 60; $n++) {
            $spring = mt_rand(0, 1) === 1;
            $campaign = [...self::CAMPAIGN, 'start' => $spring ? '2026-03-05' : '2026-10-20', 'end' => $spring ? '2026-04-07' : '2026-11-04', 'holidays' => [$spring ? '2026-03-09' : '2026-10-26'], 'per_person' => ['day' => mt_rand(1, 2), 'week' => mt_rand(1, 4)]];
            foreach (['mon', 'tue', 'sat', 'sun'] as $day) {
                $from = mt_rand(0, 20);
                $campaign['windows'][$day] = [sprintf('%02d:%02d-%02d:00', $from, mt_rand(0, 59), $from + mt_rand(1, 3))];
            }
            $day = static fn (): string => gmdate('Y-m-d', (int) gmmktime(0, 0, 0, $spring ? 3 : 10, ($spring ? 20 : 18) + mt_rand(0, 14), 2026));
            $attempts = array_map(static fn (): string => $day().sprintf('T%02d:%02d ', mt_rand(0, 23), mt_rand(0, 59)).['busy', 'no_answer', 'voicemail', 'other:reached', 'hung_up'][mt_rand(0, 4)], range(1, mt_rand(1, 3)));
            sort($attempts);
            $row = [...self::PERSON, 'tz' => $zones[mt_rand(0, 4)], 'attempts' => implode('; ', $attempts), 'asked_for' => mt_rand(0, 2) === 0 ? $day().sprintf('T%02d:%02d', mt_rand(0, 23), mt_rand(0, 59)) : ''];
            $now = (int) gmmktime(mt_rand(0, 23), mt_rand(0, 59), 0, $spring ? 3 : 10, ($spring ? 20 : 18) + mt_rand(0, 12), 2026);
            $planned = (new Planner(Campaign::fromArray($campaign)))->plan(Listed::of($row), $now);

            self::assertSame($this->walked($campaign, $row, $now), $planned->written, json_encode([$row, gmdate('c', $now), $campaign['per_person'], $campaign['windows']]) ?: '');
        }
    }

    public function test_what_is_wrong_is_named(): void
    {
        foreach ([[['windows' => ['mon' => ['9-12']]], 'windows.mon[0]'], [['start' => '2026-06-31'], 'start'], [['end' => '2026-01-01'], 'end'], [['attempts' => ['most' => 3, 'after' => ['busy' => '20 minutes']]], 'attempts.after.busy'], [['tz' => 'Mars'], 'tz'], [['rates' => ['reached' => 0.8, 'busy' => 0.4]], 'rates'], [['speed' => 3], 'speed']] as [$differs, $path]) {
            try {
                Campaign::fromArray([...self::CAMPAIGN, ...$differs]);
                self::fail("{$path} was taken.");
            } catch (InvalidDocument $problem) {
                self::assertContains($path, array_column($problem->problems, 'path'));
            }
        }
        foreach (['tz' => 'Mars/Base', 'attempts' => 'yesterday busy', 'consent' => 'yes', 'asked_for' => 'tonight', 'do_not_call' => 'perhaps'] as $column => $written) {
            try {
                (new Planner(Campaign::fromArray(self::CAMPAIGN)))->plan(Listed::of([...self::PERSON, $column => $written]), self::at('2026-05-05T09:00Z'));
                self::fail("{$column} was taken.");
            } catch (\DomainException $problem) {
                self::assertStringContainsString($written === 'yesterday busy' ? 'attempts' : $written, $problem->getMessage());
            }
        }
    }

    /**
     * The first minute that holds, found by walking every minute with the calendar of the language.
     *
     * @param array<string, mixed> $campaign
     * @param array<string, string> $row
     */
    private function walked(array $campaign, array $row, int $now): ?string
    {
        $zone = new \DateTimeZone($row['tz'] === '' ? 'Europe/London' : $row['tz']);
        $attempts = array_map(static fn (string $one): array => explode(' ', $one), explode('; ', $row['attempts']));
        $own = array_values(array_filter($attempts, static fn (array $one): bool => ! str_starts_with($one[1], 'other:')));
        if (count($own) >= $campaign['attempts']['most']) {
            return null;
        }
        $lower = $now;
        $asked = $row['asked_for'] === '' ? null : self::wall($row['asked_for'], $zone);
        if ($own !== []) {
            $last = end($own);
            $at = self::wall($last[0], $zone);
            $pause = $campaign['attempts']['after'][$last[1]] ?? 'PT0S';
            $rested = str_starts_with($pause, 'PT')
                ? $at + (new \DateTimeImmutable('@0'))->add(new \DateInterval($pause))->getTimestamp()
                : self::wall((new \DateTimeImmutable($last[0], new \DateTimeZone('UTC')))->modify('+'.substr($pause, 1, -1).' days')->format('Y-m-d\TH:i'), $zone);
            $lower = max($lower, $asked !== null && $asked > $at ? $asked : $rested);
        } elseif ($asked !== null) {
            $lower = max($lower, $asked);
        }
        $days = array_count_values(array_map(static fn (array $one): string => substr($one[0], 0, 10), $attempts));
        $weeks = array_count_values(array_map(static fn (array $one): string => (new \DateTimeImmutable($one[0]))->format('o-W'), $attempts));
        for ($moment = $lower; ; $moment += 60) {
            $local = (new \DateTimeImmutable('@'.$moment))->setTimezone($zone);
            $date = $local->format('Y-m-d');
            if ($date > $campaign['end']) {
                return null;
            }
            if ($date < $campaign['start'] || in_array($date, $campaign['holidays'], true) || ($days[$date] ?? 0) >= $campaign['per_person']['day'] || ($weeks[$local->format('o-W')] ?? 0) >= $campaign['per_person']['week']) {
                continue;
            }
            foreach ($campaign['windows'][strtolower($local->format('D'))] ?? [] as $window) {
                [$from, $to] = explode('-', $window);
                if ($local->format('H:i') >= $from && $local->format('H:i') < $to) {
                    return $local->format('Y-m-d\TH:iP');
                }
            }
        }
    }

    /** A written time, the first of two, or the end of the hour that is skipped. */
    private static function wall(string $written, \DateTimeZone $zone): int
    {
        $guess = (new \DateTimeImmutable($written, new \DateTimeZone('UTC')))->getTimestamp();
        for ($moment = $guess - 15 * 3600; $moment <= $guess + 15 * 3600; $moment += 60) {
            if ((new \DateTimeImmutable('@'.$moment))->setTimezone($zone)->format('Y-m-d\TH:i') >= $written) {
                return $moment;
            }
        }

        return $guess;
    }

    private static function at(string $moment): int
    {
        return (new \DateTimeImmutable($moment))->getTimestamp();
    }
}
