<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Diary\BookByHand;
use App\Actions\Diary\FollowBooking;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\User;
use App\Models\Waiting;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Ringo\Diary\Start;

/** The waiting list: a time that came free is booked for who waits, and told to them; or they are taken off. */
final class WaitingController
{
    public function book(Request $request, Business $business, Waiting $waiting, BookByHand $by, FollowBooking $follow): RedirectResponse
    {
        $given = $request->validate(['at' => ['required', 'integer'], 'diary' => ['required', 'string', 'max:60']]);
        $booking = DB::transaction(static function () use ($business, $waiting, $given, $by, $follow) {
            // Claimed before anything is booked: two who press at once book one time.
            $claimed = Waiting::query()->whereKey($waiting->id)->where('state', Waiting::WAITING)->where('rehearsal', false)->update(['state' => Waiting::BOOKED]);
            abort_if($claimed === 0, 422, 'This one does not wait any more, or was only rehearsed.');
            $booking = $by->book($business, $waiting->service, new Start((int) $given['at'], $given['diary']), ['name' => $waiting->name ?? 'Somebody who waited', 'number' => $waiting->number, 'area' => $waiting->area, 'note' => $waiting->said, 'contact_id' => $waiting->contact_id, 'call_id' => $waiting->call_id]);
            $follow->cameFree($booking);

            return $booking;
        });
        $this->note($business, $request, "{$booking->reference} booked from the waiting list");

        return redirect()->route('diary', [$business, 'day' => date('Y-m-d', $booking->starts_at)])->with('notice', "Booked for {$booking->name}: {$booking->reference}.".($booking->number === null ? ' There is no number to tell it to.' : ' A text tells it, a minute from now.'));
    }

    public function drop(Request $request, Business $business, Waiting $waiting): RedirectResponse
    {
        $waiting->update(['state' => Waiting::GONE]);
        $this->note($business, $request, ($waiting->name ?? 'somebody').' taken off the waiting list');

        return redirect()->route('diary', $business)->with('undo', ['text' => ($waiting->name ?? 'Somebody').' is off the waiting list.', 'action' => route('waiting.restore', [$business, $waiting])]);
    }

    public function restore(Business $business, Waiting $waiting): RedirectResponse
    {
        Waiting::query()->whereKey($waiting->id)->where('state', Waiting::GONE)->update(['state' => Waiting::WAITING]);

        return redirect()->route('diary', $business)->with('notice', ($waiting->name ?? 'Somebody').' is on the waiting list again.');
    }

    private function note(Business $business, Request $request, string $words): void
    {
        $user = $request->user();
        AuditEntry::note($business->id, $user instanceof User ? $user : null, 'diary', $words);
    }
}
