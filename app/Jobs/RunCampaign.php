<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Outreach\RunQuickly;
use App\Models\Campaign;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Runs a campaign on its own clock, a stretch at a time, so that other work of the queue has its turn. */
final class RunCampaign implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** Seconds of one stretch. */
    private const STRETCH = 20.0;

    /** Seconds after which one that waits may be asked for again. */
    public int $uniqueFor = 300;

    public int $tries = 1;

    public int $timeout = 120;

    public function __construct(private readonly int $campaign)
    {
    }

    public function uniqueId(): string
    {
        return (string) $this->campaign;
    }

    public function handle(RunQuickly $run): void
    {
        $campaign = Campaign::query()->find($this->campaign);
        if ($campaign instanceof Campaign && $campaign->clock === 'quick' && $campaign->state === Campaign::RUNNING && $run->run($campaign, self::STRETCH)) {
            self::dispatch($campaign->id);
        }
    }
}
