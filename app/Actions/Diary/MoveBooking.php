<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Diary;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Reason;
use Ringo\Diary\Start;

/** Moves a booking to another start or diary, where that is free without it. */
final readonly class MoveBooking
{
    public function __construct(private DiariesOf $diaries, private FollowBooking $follow)
    {
    }

    /** Why it cannot be moved there; null where it can. */
    public function why(Booking $booking, Start $start): ?Reason
    {
        $business = Business::query()->findOrFail($booking->business_id);
        $diaries = $this->diaries->business($business, $booking->rehearsal, null, $booking->id, $start->at);
        $service = $diaries->services[$booking->service] ?? null;
        $diary = $diaries->diaries[$start->diary] ?? null;

        return $service === null || $diary === null ? Reason::Nobody : (new FreeTimes($diaries))->why($service->anyDay(), $diary, $start->at, time() - 3600 * $service->noticeHours, $booking->area);
    }

    /** @param bool $raster whether it must begin on a start of the raster: a colleague may move it between */
    public function to(Booking $booking, Start $start, ?Call $call = null, bool $raster = true): bool
    {
        return DB::transaction(function () use ($booking, $start, $call, $raster): bool {
            Diary::query()->where('business_id', $booking->business_id)->where('key', $start->diary)->update(['updated_at' => now()]);
            if ($call !== null) {
                Booking::query()->where('call_id', $call->id)->where('state', 'held')->delete();
            }
            $why = $this->why($booking, $start);
            if ($why !== null && ($raster || $why !== Reason::Raster)) {
                return false;
            }
            $diary = Diary::query()->where('business_id', $booking->business_id)->where('key', $start->diary)->firstOrFail();
            $was = $booking->starts_at;
            $place = Booking::freePlace($diary->id, $start->at, $booking->rehearsal, $booking->id);
            try {
                // A savepoint of its own: where the place is taken after all, some databases would give up everything before it as well.
                DB::transaction(static fn (): bool => $booking->update(['diary_id' => $diary->id, 'starts_at' => $start->at, 'ends_at' => $start->at + $booking->ends_at - $booking->starts_at, 'place' => $place, 'sequence' => $booking->sequence + 1]));
            } catch (UniqueConstraintViolationException) {
                $booking->refresh();

                return false;
            }
            $this->follow->moved($booking, $was, $call);

            return true;
        });
    }
}
