<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Engine;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Outreach\SimulatedCampaign;
use Ringo\Rehearsal\Outreach\TheirCall;
use Ringo\Rehearsal\Outreach\WhatMore;
use Ringo\Script\ScriptReader;

/** What holds of every campaign, whatever the seed: windows, caps, lines, opt-outs, later times; across both changes of the clock. */
final class SimulatedCampaignTest extends TestCase
{
    private const LINES = 3;

    private const A_MINUTE = 4;

    /** @return iterable<string, array{string, string, string}> */
    public static function seeds(): iterable
    {
        yield 'clocks go forward' => ['1', '2026-03-26', '2026-04-02'];
        yield 'clocks go back' => ['2', '2026-10-22', '2026-10-29'];
        yield 'another seed' => ['3', '2026-06-01', '2026-06-08'];
    }

    #[DataProvider('seeds')]
    public function testNobodyIsRungAgainstTheRules(string $seed, string $start, string $end): void
    {
        [$attempts, $found] = $this->rung($seed, $start, $end);
        self::assertSame($found['attempts'], count($attempts));
        self::assertGreaterThan(80, $found['attempts']);
        $by = [];
        $free = [];
        foreach ($attempts as $n => $one) {
            $wall = new \DateTimeImmutable($one['wall'], new \DateTimeZone('UTC'));
            $minute = $wall->format('H:i');
            self::assertTrue($minute >= '09:30' && $minute < '12:00' || $minute >= '14:00' && $minute < '18:30', "in the window of their own day: {$one['wall']}");
            self::assertNotSame('7', $wall->format('N'));
            self::assertTrue($one['wall'] >= $start && substr($one['wall'], 0, 10) <= $end);
            $free = array_filter($free, static fn (int $until): bool => $until > $one['at']);
            self::assertLessThan(self::LINES, count($free), 'no more at once than lines');
            $free[] = $one['at'] + (int) ceil($one['seconds']);
            self::assertLessThan(60 * 60 * 24 * 60, $one['at'] - $attempts[0]['at']);
            self::assertLessThanOrEqual(self::A_MINUTE, count(array_filter($attempts, static fn (array $other): bool => $other['at'] > $one['at'] - 60 && $other['at'] <= $one['at'])));
            $by[$one['person']][] = $one;
            self::assertSame(count($by[$one['person']]), $one['attempt'], 'none lost, none twice');
        }
        foreach ($by as $tries) {
            self::assertLessThanOrEqual(3, count($tries));
            self::assertSame(count($tries), count(array_unique(array_map(static fn (array $one): string => substr($one['wall'], 0, 10), $tries))), 'once a day');
            foreach (array_slice($tries, 0, -1) as $one) {
                self::assertNotContains($one['came'], ['reached'], 'whoever was reached is rung no more');
                self::assertNotSame('do not call', $one['outcome'], 'and nobody after an opt-out');
            }
        }
        self::assertSame([$attempts, $found], $this->rung($seed, $start, $end), 'the same seed gives the same campaign');
    }

    public function testWhoeverAskedForLaterIsRungThen(): void
    {
        [$attempts, $found] = $this->rung('5', '2026-06-01', '2026-06-08', 250);
        self::assertGreaterThan(2, $found['came']['later'] ?? 0);
        foreach ($attempts as $n => $one) {
            $next = array_values(array_filter(array_slice($attempts, $n + 1), static fn (array $other): bool => $other['person'] === $one['person']))[0] ?? null;
            if ($one['came'] === 'later' && $next !== null) {
                self::assertGreaterThanOrEqual(substr($one['wall'], 0, 10).'T18:00', $next['wall']);
            }
        }
        self::assertGreaterThan(0, $found['outcomes']['voicemail'] ?? 0);
        self::assertSame($found['listed'], 250);
    }

    public function testOneLineMoreIsThroughEarlierAndOneHourMoreReachesNoFewer(): void
    {
        $document = ['purpose' => 'x', 'windows' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['10:00-11:00']), 'start' => '2026-06-01', 'end' => '2026-06-05', 'consent' => false, 'attempts' => ['most' => 2, 'after' => ['no_answer' => 'PT1H']], 'rates' => ['reached' => 0.4, 'busy' => 0.1, 'no_answer' => 0.4, 'voicemail' => 0.1, 'minutes' => 3]];
        $script = (new ScriptReader)->fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/quillmoor/tobin.json'));
        $people = array_map(static fn (int $n): Listed => Listed::of(['id' => (string) $n, 'phone' => sprintf('+44770090%04d', $n)]), range(0, 249));
        $found = (new WhatMore($script, 1_780_272_000, '1'))->of($document, $people, 1, 30);
        self::assertGreaterThan($found['nothing']['attempts'], $found['line']['attempts'], 'one line is too few for all of them');
        self::assertGreaterThan($found['nothing']['reached'], $found['line']['reached']);
        self::assertGreaterThan($found['nothing']['reached'], $found['hour']['reached']);
        $few = (new WhatMore($script, 1_780_272_000, '1'))->of($document, array_slice($people, 0, 12), 3, 30);
        self::assertLessThanOrEqual($few['nothing']['last'], $few['line']['last'], 'where there is time enough, it is only through earlier');
    }

    /** @return array{list<array<string, mixed>>, array<string, mixed>} */
    private function rung(string $seed, string $start, string $end, int $people = 90): array
    {
        $campaign = Campaign::fromArray(['purpose' => 'x', 'windows' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat'], ['09:30-12:00', '14:00-18:30']), 'start' => $start, 'end' => $end, 'consent' => false, 'attempts' => ['most' => 3, 'after' => ['no_answer' => 'PT4H', 'busy' => 'PT20M']], 'per_person' => ['day' => 1], 'rates' => ['reached' => 0.4, 'busy' => 0.15, 'no_answer' => 0.3, 'voicemail' => 0.1]]);
        $script = (new ScriptReader)->fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/quillmoor/tobin.json'));
        $simulated = new SimulatedCampaign($campaign, $script, new TheirCall(Engine::for($script), new StandInPublic($campaign->rates, $seed), $seed), (int) strtotime("{$start} 00:00 UTC"), self::LINES, self::A_MINUTE);
        for ($n = 0; $n < $people; $n++) {
            $simulated->add(Listed::of(['id' => "p{$n}", 'phone' => $n % 3 === 0 ? sprintf('+1212555%04d', 100 + $n) : sprintf('+44770090%04d', $n)]));
        }
        $attempts = [];
        $found = $simulated->run(static function (array $one) use (&$attempts): void {
            $attempts[] = $one;
        });

        return [$attempts, $found];
    }
}
