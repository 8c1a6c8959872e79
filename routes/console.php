<?php

declare(strict_types=1);

use App\Console\SettleAbandonedCommand;
use Illuminate\Support\Facades\Schedule;

Schedule::command(SettleAbandonedCommand::class)->everyFiveMinutes();
