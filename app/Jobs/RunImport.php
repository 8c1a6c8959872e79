<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Contacts\ImportContacts;
use App\Models\ContactImport;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\MaxAttemptsExceededException;

/** Brings contacts in, in the queue. */
final class RunImport implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 1;

    public int $timeout = 600;

    public function __construct(private readonly int $import)
    {
    }

    public function handle(ImportContacts $contacts): void
    {
        $import = ContactImport::query()->findOrFail($this->import);
        if (in_array($import->status, ['looked_at', 'queued', 'running'], true)) {
            $contacts->run($import);
        }
    }

    /** What was made is kept, with its counts, and can be undone; the report says why it stopped. */
    public function failed(?\Throwable $problem): void
    {
        // A worker that was killed is no fault of the file: whoever looks on takes it up.
        if ($problem instanceof MaxAttemptsExceededException) {
            return;
        }
        $import = ContactImport::query()->find($this->import);
        $import?->update(['status' => 'stopped', 'report' => [['row' => 0, 'what' => 'refused', 'words' => 'The import broke off: '.($problem instanceof \DomainException ? $problem->getMessage() : 'something broke on our side; what was made is kept and can be undone')], ...$import->report ?? []]]);
    }
}
