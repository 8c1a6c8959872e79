<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** What changes live calls from the next one on, without a release: kept with who did it and when, and said where it is changed. */
enum AtOnce: string
{
    case Knowledge = 'knowledge';
    case Transfers = 'transfers';
    case Deliveries = 'deliveries';
    case Errands = 'errands';

    /** What of a live call follows at once. */
    public function follows(): string
    {
        return match ($this) {
            self::Knowledge => 'Live calls answer from what is kept here',
            self::Transfers => 'Live calls ring the teams and people as they are kept here',
            self::Errands => 'Live calls run errands as they are kept here',
            self::Deliveries => 'Live calls follow these rules',
        };
    }

    public function note(Business $business, string $words): void
    {
        $user = Auth::user();
        AuditEntry::note($business->id, $user instanceof User ? $user : null, $this->did(), $words);
    }

    public function last(Business $business): ?AuditEntry
    {
        return AuditEntry::query()->where('business_id', $business->id)->where('did', $this->did())->with('user')->latest('id')->first();
    }

    private function did(): string
    {
        return "at once: {$this->value}";
    }
}
