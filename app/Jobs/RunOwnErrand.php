<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Errands\AnswerErrand;
use App\Models\ErrandRun;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Runs an errand a call has sent on its way without waiting; where the other system is away it is tried again, under the same key. */
final class RunOwnErrand implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    /** Seconds before it is tried again. */
    private const WAITS = [5, 30, 120, 600];

    public int $tries = 5;

    public int $timeout = 60;

    public function __construct(private readonly int $run)
    {
    }

    public function handle(AnswerErrand $answer): void
    {
        $run = ErrandRun::query()->with('call')->find($this->run);
        if (! $run instanceof ErrandRun || $run->state === ErrandRun::BACK && ($run->reply['status'] ?? '') !== \Ringo\Errand\Reply::FAILED && ($run->reply['status'] ?? '') !== \Ringo\Errand\Reply::SLOW) {
            return;
        }
        $again = self::WAITS[$this->attempts() - 1] ?? null;
        if (! $answer->aside($run) && $again !== null && $run->how === 'really') {
            $this->release($again);
        }
    }
}
