<?php

declare(strict_types=1);

use Ringo\Dialogue\Engine;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Outreach\SimulatedCampaign;
use Ringo\Rehearsal\Outreach\TheirCall;
use Ringo\Script\ScriptReader;

/*
 * A campaign on the simulated public.
 */
return static function (Table $table): void {
    $ring = static function (int $people): Spent {
        $campaign = Campaign::fromArray(['purpose' => 'reminders', 'windows' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['09:00-19:00']), 'start' => '2026-03-02', 'end' => '2026-04-30', 'consent' => false, 'attempts' => ['most' => 3, 'after' => ['no_answer' => 'PT3H']]]);
        $script = (new ScriptReader)->fromJson((string) file_get_contents(__DIR__.'/../../database/demo/quillmoor/tobin.json'));
        $simulated = new SimulatedCampaign($campaign, $script, new TheirCall(Engine::for($script), new StandInPublic($campaign->rates, '1'), '1'), 1_772_355_600, 20, 120);
        for ($n = 0; $n < $people; $n++) {
            $simulated->add(Listed::of(['id' => (string) $n, 'phone' => sprintf('+44770090%04d', $n)]));
        }

        return Spent::on(static fn (): array => $simulated->run());
    };
    $ring(50);
    $once = $ring(250);
    $twice = $ring(500);
    $calls = $twice->gave['attempts'];
    $table->row('a simulated campaign, for 10,000 calls', new Spent(10_000 * $twice->processor / $calls, 10_000 * $twice->clock / $calls), 60);
    $table->growth('the list', $once, $twice);
};
