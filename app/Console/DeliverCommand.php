<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Calls\EraseOldCalls;
use App\Actions\Deliveries\DeliverDue;
use App\Actions\Diary\FetchCalendar;
use App\Actions\Records\EraseOldValues;
use Illuminate\Console\Command;

/** Sends deliveries as they fall due, beside the pages, fetches calendars, and lets go of calls and values that are past their time. */
final class DeliverCommand extends Command
{
    protected $signature = 'ringo:deliver {--once : stop when nothing more is due}';

    protected $description = 'Send what is due';

    public function handle(DeliverDue $deliver, EraseOldCalls $calls, EraseOldValues $values, FetchCalendar $calendars): int
    {
        $erased = 0;
        do {
            $tried = $deliver->run();
            $calendars->due();
            if (time() - $erased > 3600) {
                $calls->everywhere();
                $values->everywhere();
                $erased = time();
            }
            if ($tried === 0 && ! $this->option('once')) {
                sleep(1);
            }
        } while (! $this->option('once'));

        return self::SUCCESS;
    }
}
