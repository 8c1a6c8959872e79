<?php

declare(strict_types=1);

namespace Tests\Core\Outreach;

use PHPUnit\Framework\TestCase;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Forecast;
use Ringo\Outreach\Foreseen;
use Ringo\Outreach\Listed;

/** What a campaign will come to, against what the rates say on paper. */
final class ForecastTest extends TestCase
{
    private const CAMPAIGN = [
        'purpose' => 'survey', 'consent' => false, 'start' => '2026-05-04', 'end' => '2026-05-29', 'country' => 'GB',
        'windows' => ['mon' => ['09:00-17:00'], 'tue' => ['09:00-17:00'], 'wed' => ['09:00-17:00'], 'thu' => ['09:00-17:00'], 'fri' => ['09:00-17:00']],
        'attempts' => ['most' => 3, 'after' => ['no_answer' => 'PT3H', 'busy' => 'PT20M']],
        'cost' => ['minute' => 0.1, 'attempt' => 0.02], 'rates' => ['reached' => 0.4, 'busy' => 0.2, 'no_answer' => 0.4, 'minutes' => 3],
    ];

    public function test_reached_attempts_minutes_and_cost_follow_from_the_rates(): void
    {
        $foreseen = $this->foreseen(self::CAMPAIGN, 400, 1);
        // Three tries at 0.4 reach 1 − 0.6³ of all, in 1 + 0.6 + 0.36 tries each.
        self::assertEqualsWithDelta(400 * 0.784, $foreseen->figures['reached']->p50, 4);
        self::assertEqualsWithDelta(400 * 1.96, $foreseen->figures['attempts']->p50, 8);
        self::assertEqualsWithDelta(400 * 0.784 * 3, $foreseen->figures['minutes']->p50, 20);
        self::assertEqualsWithDelta(400 * (0.784 * 3 * 0.1 + 1.96 * 0.02), $foreseen->figures['cost']->p50, 3);
        // Spread as of 400 tosses: 1.28 standard deviations to either side hold four fifths.
        $spread = 1.2816 * sqrt(400 * 0.784 * 0.216);
        self::assertEqualsWithDelta(400 * 0.784 - $spread, $foreseen->figures['reached']->p10, 3);
        self::assertEqualsWithDelta(400 * 0.784 + $spread, $foreseen->figures['reached']->p90, 3);
    }

    public function test_the_same_seed_gives_the_same_figures(): void
    {
        self::assertEquals($this->foreseen(self::CAMPAIGN, 60, 5), $this->foreseen(self::CAMPAIGN, 60, 5));
        self::assertNotEquals($this->foreseen(self::CAMPAIGN, 60, 5)->figures, $this->foreseen(self::CAMPAIGN, 60, 6)->figures);
    }

    public function test_a_campaign_that_ends_first_reaches_fewer(): void
    {
        $short = [...self::CAMPAIGN, 'end' => '2026-05-04', 'per_person' => ['day' => 1, 'week' => 9]];
        $foreseen = $this->foreseen($short, 400, 1);
        self::assertEqualsWithDelta(160, $foreseen->figures['reached']->p50, 4);
        self::assertSame(400.0, $foreseen->figures['attempts']->p50);
        self::assertSame(['2026-05-04'], array_keys($foreseen->days));
        self::assertSame('09:00', $foreseen->days['2026-05-04']['first']);
    }

    public function test_who_is_not_rung_is_counted_by_why(): void
    {
        $forecast = new Forecast(Campaign::fromArray(self::CAMPAIGN), 1_777_881_600);
        foreach ([['id' => '1', 'phone' => '01632 960147'], ['id' => '2', 'phone' => 'none'], ['id' => '3', 'phone' => '01632 960148', 'do_not_call' => 'yes'], ['id' => '4', 'phone' => 'none']] as $row) {
            $forecast->add(Listed::of($row));
        }
        $foreseen = $forecast->run(1);
        self::assertSame([4, 1, ['bad_number' => 2, 'do_not_call' => 1]], [$foreseen->listed, $foreseen->allowed, $foreseen->excluded]);
    }

    public function test_nobody_is_a_forecast_too(): void
    {
        $foreseen = (new Forecast(Campaign::fromArray(self::CAMPAIGN), 1_777_881_600))->run(1);
        self::assertSame([0, 0, 0.0, 0.0], [$foreseen->listed, $foreseen->allowed, $foreseen->figures['reached']->p90, $foreseen->figures['cost']->p50]);
    }

    /** @param array<string, mixed> $campaign */
    private function foreseen(array $campaign, int $people, int $seed): Foreseen
    {
        $forecast = new Forecast(Campaign::fromArray($campaign), 1_777_881_600);
        for ($n = 0; $n < $people; $n++) {
            $forecast->add(Listed::of(['id' => (string) $n, 'phone' => sprintf('01632 960%03d', $n)]));
        }

        return $forecast->run($seed);
    }
}
