<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Contacts\ImportContacts;
use App\Models\ContactImport;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

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
        if (in_array($import->status, ['looked_at', 'queued'], true)) {
            $contacts->run($import);
        }
    }

    public function failed(?\Throwable $problem): void
    {
        ContactImport::query()->whereKey($this->import)->update(['status' => 'stopped', 'report' => [['row' => 0, 'what' => 'refused', 'words' => 'The import broke off: '.($problem instanceof \DomainException ? $problem->getMessage() : 'something broke on our side; what was made is kept and can be undone')]]]);
    }
}
