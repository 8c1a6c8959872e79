<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Calls\ImportTranscripts;
use App\Models\CallImport;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Brings a file of transcripts in, a stretch at a time; whoever takes it up goes on where it was. */
final class BringTranscripts implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    private const STRETCH = 20.0;

    public int $uniqueFor = 300;

    public int $tries = 1;

    public int $timeout = 120;

    public function __construct(private readonly int $import)
    {
    }

    public function uniqueId(): string
    {
        return (string) $this->import;
    }

    public function handle(ImportTranscripts $bring): void
    {
        $import = CallImport::query()->with('agent')->find($this->import);
        if ($import instanceof CallImport && ! $import->over() && $bring->goOn($import, self::STRETCH)) {
            self::dispatch($import->id);
        }
    }
}
