<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Calls\EraseOldCalls;
use App\Actions\Calls\ImportTranscripts;
use App\Actions\Contacts\ImportContacts;
use App\Actions\Deliveries\DeliverDue;
use App\Actions\Diary\FetchCalendar;
use App\Actions\Outreach\Dialler;
use App\Actions\Outreach\RunQuickly;
use App\Actions\Records\EraseOldValues;
use App\Support\Sqlite\Statistics;
use Illuminate\Console\Command;

/** Sends deliveries as they fall due, beside the pages, fetches calendars, places the calls of campaigns, lets go of calls and values that are past their time, and tells the database what it holds. */
final class DeliverCommand extends Command
{
    protected $signature = 'ringo:deliver {--once : stop when nothing more is due}';

    protected $description = 'Send what is due';

    /** Pauses after what went wrong grow up to so many seconds. */
    private const LONGEST_PAUSE = 60;

    public function handle(DeliverDue $deliver, EraseOldCalls $calls, EraseOldValues $values, FetchCalendar $calendars, Dialler $dialler, RunQuickly $quick, ImportTranscripts $transcripts, ImportContacts $contacts): int
    {
        $erased = 0;
        $pause = 1;
        do {
            try {
                $tried = $deliver->run();
                $calendars->due();
                $dialler->due();
                $quick->takeUp();
                $transcripts->takeUp();
                $contacts->takeUp();
                if (time() - $erased > 3600) {
                    $calls->everywhere();
                    $values->everywhere();
                    Statistics::gather();
                    $erased = time();
                }
                $pause = 1;
            } catch (\Throwable $problem) {
                // A busy or broken database ends nothing: it is told, waited for, and tried again.
                report($problem);
                $this->error('The post stands still: '.$problem->getMessage());
                if ($this->option('once')) {
                    return self::FAILURE;
                }
                sleep($pause);
                $pause = min(self::LONGEST_PAUSE, 2 * $pause);

                continue;
            }
            if ($tried === 0 && ! $this->option('once')) {
                sleep(1);
            }
        } while (! $this->option('once'));

        return self::SUCCESS;
    }
}
