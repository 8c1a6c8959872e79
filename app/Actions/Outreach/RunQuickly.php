<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Jobs\RunCampaign;
use App\Models\Campaign;
use Illuminate\Support\Carbon;

/** Runs a campaign on a clock of its own, from one moment at which something can happen to the next: a week in a minute. */
final readonly class RunQuickly
{
    /** A campaign that has not moved for so many seconds is run by nobody any more: whoever ran it died. */
    private const STALLED = 180;

    public function __construct(private Dialler $dialler)
    {
    }

    /** Takes up campaigns on a clock of their own that nobody runs any more. */
    public function takeUp(): void
    {
        $before = Carbon::now()->subSeconds(self::STALLED);
        foreach (Campaign::query()->where('state', Campaign::RUNNING)->where('clock', 'quick')->where('updated_at', '<', $before)->pluck('id') as $id) {
            // Whoever moves it on takes it up: two that look at once do so once.
            if (Campaign::query()->whereKey($id)->where('updated_at', '<', $before)->update(['updated_at' => Carbon::now()]) === 1) {
                RunCampaign::dispatch((int) $id);
            }
        }
    }

    /**
     * @param float $seconds of real time after which it lets others have a turn
     *
     * @return bool whether it goes on
     */
    public function run(Campaign $campaign, float $seconds): bool
    {
        $until = microtime(true) + $seconds;
        while (microtime(true) < $until) {
            $this->dialler->tick($campaign);
            $next = $campaign->refresh()->state === Campaign::RUNNING ? $this->dialler->next($campaign) : null;
            if ($next === null) {
                return false;
            }
            Campaign::query()->whereKey($campaign->id)->update(['clock_at' => Carbon::createFromTimestamp(max($next, $campaign->now()), 'UTC')]);
            $campaign->refresh();
        }

        return true;
    }
}
