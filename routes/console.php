<?php

declare(strict_types=1);

use App\Actions\Calls\SettleAbandonedCalls;
use App\Models\Business;
use Illuminate\Support\Facades\Artisan;

Artisan::command('ringo:settle-abandoned', function (SettleAbandonedCalls $settle): void {
    $count = Business::query()->get()->sum(static fn (Business $business): int => $settle->in($business));
    $this->info("{$count} abandoned calls were hung up.");
})->purpose('Hang up calls that were left half way');
