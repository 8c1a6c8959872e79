<?php

declare(strict_types=1);

namespace App\Actions\Brief;

use App\Actions\Knowledge\KeepSource;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ringo\Brief\Brief;
use Ringo\Brief\BriefInWords;
use Ringo\Knowledge\Reading\UnreadableSource;

/** Keeps the brief of a business, and what of it callers' questions are answered from. */
final readonly class KeepBrief
{
    /** Name of the source that is written from the brief. */
    public const SOURCE = 'the-brief.md';

    public function __construct(private KeepSource $sources)
    {
    }

    /**
     * @param array<string, mixed> $document in the format of briefs
     *
     * @throws \Ringo\Document\InvalidDocument nothing is kept then
     */
    public function keep(Business $business, array $document, ?User $user): Brief
    {
        $brief = Brief::fromArray($document);
        DB::transaction(static function () use ($business, $brief, $user): void {
            $business->update(['brief' => $brief->toArray()]);
            AuditEntry::note($business->id, $user, 'brief', 'the brief was changed');
        });
        $this->toAnswerFrom($business, $brief);

        return $brief;
    }

    /** Writes the source anew: holidays ahead change with the days. */
    public function toAnswerFrom(Business $business, Brief $brief): void
    {
        $text = (new BriefInWords)->markdown($brief, $brief->spoken ?: $business->name, Carbon::now($business->tz)->format('Y-m-d'));
        try {
            $this->sources->keep($business, self::SOURCE, 'brief', $text);
        } catch (UnreadableSource) {
            // A brief that says nothing is no source.
            $business->knowledgeSources()->where('name', self::SOURCE)->delete();
        }
    }
}
