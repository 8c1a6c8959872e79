<?php

declare(strict_types=1);

namespace Tests\Core\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** `plan`, `forecast` and `capacity` as others call them: output, order, exit status. */
final class LoadCommandsTest extends TestCase
{
    private const CAMPAIGN = '{"key":"c","purpose":"survey","country":"GB","windows":{"tue":["09:00-17:00"]},"start":"2026-05-04","end":"2026-05-29","attempts":{"most":2,"after":{"busy":"PT20M"}},"consent":false}';

    public function test_plan_answers_every_line_in_order(): void
    {
        $folder = sys_get_temp_dir().'/ringo-plan-'.getmypid();
        mkdir($folder);
        file_put_contents("{$folder}/c.json", self::CAMPAIGN);
        file_put_contents("{$folder}/l.csv", "id,phone,tz,attempts\n1,01632 960147,,\n2,none,,\n3,01632 960148,Mars,\n4,01632 960149,,2026-05-05T08:50 busy\n");
        $done = $this->ringo('plan', "{$folder}/c.json", "--list={$folder}/l.csv", '--now=2026-05-05T09:00+01:00');
        $answers = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($done->getOutput())));

        self::assertSame(1, $done->getExitCode());
        self::assertSame(['1', '2', '3', '4'], array_column($answers, 'id'));
        self::assertSame(['2026-05-05T09:00+01:00', null, null, '2026-05-05T09:10+01:00'], array_column($answers, 'next'));
        self::assertSame([null, 'bad_number', null, null], array_column($answers, 'why'));
        self::assertStringContainsString('line 4', $done->getErrorOutput());
        self::assertStringContainsString('Mars', $answers[2]['error']);

        $forecast = json_decode($this->ringo('forecast', "{$folder}/c.json", "--list={$folder}/l.csv", '--seed=1', '--now=2026-05-05T09:00+01:00')->getOutput(), true);
        self::assertSame(['listed' => 3, 'allowed' => 2, 'excluded' => ['bad_number' => 1]], array_slice($forecast, 0, 3));
        self::assertSame(['p10', 'p50', 'p90'], array_keys($forecast['minutes']));

        file_put_contents("{$folder}/c.json", str_replace('09:00-17:00', '17:00-09:00', self::CAMPAIGN));
        $refused = $this->ringo('plan', "{$folder}/c.json", "--list={$folder}/l.csv");
        self::assertSame(1, $refused->getExitCode());
        self::assertStringContainsString('windows.tue[0]', $refused->getErrorOutput());
        self::assertSame(2, $this->ringo('plan', "{$folder}/c.json")->getExitCode());
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
    }

    public function test_capacity_answers_each_question(): void
    {
        $answer = fn (string ...$options): array => json_decode($this->ringo('capacity', '--calls=120', '--seconds=180', ...$options)->getOutput(), true);

        self::assertSame(['erlangs', 'blocked'], array_keys($answer('--lines=12')));
        self::assertSame(['erlangs' => 6, 'lines' => 13], $answer('--blocked=0.01'));
        self::assertSame(['erlangs', 'waits', 'mean_wait', 'answered_within', 'occupancy'], array_keys($answer('--people=8', '--within=20')));
        self::assertFalse($answer('--people=6', '--within=20')['stable']);
        self::assertSame(9, $answer('--answered=0.8', '--within=20')['people']);
        self::assertArrayHasKey('given_up', $answer('--people=8', '--within=20', '--patience=60'));
        self::assertSame(1, $this->ringo('capacity', '--calls=many', '--seconds=180', '--lines=3')->getExitCode());
        self::assertSame(2, $this->ringo('capacity', '--calls=120')->getExitCode());
    }

    private function ringo(string ...$words): Process
    {
        $process = new Process([dirname(__DIR__, 3).'/ringo', ...array_values($words)], dirname(__DIR__, 3));
        $process->run();

        return $process;
    }
}
