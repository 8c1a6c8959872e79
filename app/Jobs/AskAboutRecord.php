<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Advice\SecondOpinionOn;
use App\Actions\Deliveries\QueueDeliveries;
use App\Models\Call;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;

/** Asks for second opinions on a record, and then lets go out what the call causes; with or without opinions. */
final class AskAboutRecord implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 3;

    public int $timeout = 30;

    public function __construct(private readonly int $call)
    {
    }

    public function handle(SecondOpinionOn $opinion, QueueDeliveries $deliveries): void
    {
        $call = Call::query()->find($this->call);
        if ($call === null) {
            return;
        }
        try {
            $opinion->of($call);
        } finally {
            DB::transaction(static fn () => $deliveries->after($call));
        }
    }
}
