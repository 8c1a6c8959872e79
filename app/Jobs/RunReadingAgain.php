<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Records\ReadAgain;
use App\Models\ReadingAgain;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Reads past calls again with a changed sheet, in the queue. */
final class RunReadingAgain implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $again)
    {
    }

    public function handle(ReadAgain $read): void
    {
        $again = ReadingAgain::query()->findOrFail($this->again);
        if ($again->status === 'queued') {
            $read->run($again);
        }
    }

    public function failed(?\Throwable $problem): void
    {
        ReadingAgain::query()->whereKey($this->again)->update(['status' => 'stopped']);
    }
}
