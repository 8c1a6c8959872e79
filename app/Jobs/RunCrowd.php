<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Crowd\RingCrowd;
use App\Models\CrowdRun;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Lets a crowd ring, in the queue; taken up where it was if whoever rang it died. */
final class RunCrowd implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $run)
    {
    }

    public function handle(RingCrowd $ring): void
    {
        $run = CrowdRun::query()->find($this->run);
        if ($run instanceof CrowdRun && $run->goesOn()) {
            $ring->run($run);
        }
    }
}
