<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Models\Campaign;
use Illuminate\Support\Carbon;

/** Runs a campaign on a clock of its own, from one moment at which something can happen to the next: a week in a minute. */
final readonly class RunQuickly
{
    public function __construct(private Dialler $dialler)
    {
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
