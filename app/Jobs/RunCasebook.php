<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Casebook\RunCases;
use App\Models\Agent;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Rings an agent's cases on its draft after a change of it; those that were rung on the draft as it is now are left alone, so many changes cost little more than one. */
final class RunCasebook implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 300;

    public function __construct(private readonly int $agent)
    {
    }

    public function handle(RunCases $run): void
    {
        $agent = Agent::query()->find($this->agent);
        if ($agent instanceof Agent) {
            $run->of($agent);
        }
    }
}
