<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Calls\SettleAbandonedCalls;
use App\Models\Business;
use Illuminate\Console\Command;

final class SettleAbandonedCommand extends Command
{
    protected $signature = 'ringo:settle-abandoned';

    protected $description = 'Hang up calls that were left half way, so that each leaves its record';

    public function handle(SettleAbandonedCalls $settle): int
    {
        $count = 0;
        foreach (Business::query()->get() as $business) {
            $count += $settle->in($business);
        }
        $this->info("{$count} abandoned calls were hung up.");

        return self::SUCCESS;
    }
}
