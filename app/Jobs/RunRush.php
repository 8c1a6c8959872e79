<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Lines\RingMany;
use App\Models\LineRush;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Lets many ring a line, in the queue; taken up where it was if whoever rang them died. */
final class RunRush implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $rush)
    {
    }

    public function handle(RingMany $ring): void
    {
        $rush = LineRush::query()->find($this->rush);
        if ($rush instanceof LineRush && $rush->goesOn()) {
            $ring->run($rush);
        }
    }
}
