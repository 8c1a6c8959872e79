<?php

declare(strict_types=1);

use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Outreach\Planner;

/*
 * Planning a campaign's list.
 */
return static function (Table $table): void {
    $plan = static function (int $people): Spent {
        $campaign = Campaign::fromArray([
            'purpose' => 'reminders', 'country' => 'GB', 'start' => '2026-05-04', 'end' => '2026-05-29', 'holidays' => ['2026-05-25'],
            'windows' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-12:30', '13:30-19:00']),
            'attempts' => ['most' => 4, 'after' => ['busy' => 'PT20M', 'no_answer' => 'PT3H', 'voicemail' => 'P1D']],
            'per_person' => ['day' => 1, 'week' => 3], 'consent' => true, 'complaint_days' => 90,
        ]);
        $planner = new Planner($campaign);

        return Spent::on(static function () use ($planner, $people): void {
            for ($n = 0; $n < $people; $n++) {
                $phone = match ($n % 5) {
                    0 => sprintf('+1 %s 555 01%02d', ['212', '208', '415', '907', '800'][$n % 7 % 5], $n % 100),
                    1 => sprintf('+61 491 570 %03d', $n % 1000),
                    default => sprintf('01632 960%03d', $n % 1000),
                };
                $planner->plan(Listed::of(['id' => (string) $n, 'phone' => $phone, 'consent' => '2026-01-01', 'consent_purpose' => 'reminders', 'attempts' => $n % 3 === 0 ? '' : sprintf('2026-05-04T%02d:%02d busy', 9 + $n % 10, $n % 60)]), 1_777_968_000);
            }
        });
    };
    $once = $plan(50_000);
    $twice = $plan(100_000);
    $table->row('planning 100,000 people of a campaign', $twice, 5);
    $table->growth('the people', $once, $twice);
};
