<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Business;
use App\Models\Call;
use App\Models\SpokenAnswer;
use App\Support\Search\CallSearch;
use App\Support\Search\RecordSearch;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/** Erases calls that have been kept as long as the business wants them kept: words, record, trace and what is found by them. */
final readonly class EraseOldCalls
{
    public function everywhere(): int
    {
        $erased = 0;
        /** @var Business $business */
        foreach (Business::query()->whereNotNull('keep_days')->get() as $business) {
            $erased += $this->in($business);
        }

        return $erased;
    }

    public function in(Business $business): int
    {
        if ($business->keep_days === null || $business->keep_days < 1) {
            return 0;
        }
        $erased = 0;
        do {
            $ids = Call::withTrashed()->where('business_id', $business->id)->where('status', 'ended')->where('started_at', '<', now()->subDays($business->keep_days))->limit(500)->pluck('id')->all();
            Storage::disk('local')->delete(SpokenAnswer::query()->whereIn('call_id', $ids)->pluck('path')->all());
            DB::transaction(static function () use ($ids): void {
                $numbers = array_values(array_map(intval(...), $ids));
                CallSearch::drop($numbers);
                RecordSearch::drop($numbers);
                DB::table('calls')->whereIn('id', $ids)->delete();
            });
            $erased += count($ids);
        } while (count($ids) === 500);

        return $erased;
    }
}
