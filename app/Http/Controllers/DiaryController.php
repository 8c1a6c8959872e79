<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Diary\BookByHand;
use App\Actions\Diary\DayView;
use App\Actions\Diary\DiariesOf;
use App\Actions\Diary\FollowBooking;
use App\Actions\Diary\MoveBooking;
use App\Actions\Diary\WhoWaits;
use App\Models\AuditEntry;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Diary;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Ringo\Diary\Diaries;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Reason;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\When\Wishes\Wish;

/** The diary: who is booked when, what is free and why the rest is not; bookings made, moved and cancelled by hand. */
final class DiaryController
{
    private const DAYS_SHOWN = 2;

    private const WEEK = 5;

    public function __construct(private readonly CurrentAgent $current, private readonly DiariesOf $diaries)
    {
    }

    public function show(Request $request, Business $business, DayView $view, WhoWaits $waits): View
    {
        $given = $request->validate(['day' => ['nullable', 'date_format:Y-m-d'], 'service' => ['nullable', 'string', 'max:60'], 'view' => ['nullable', 'in:day,week'], 'area' => ['nullable', 'string', 'max:120'], 'rehearsals' => ['nullable', 'in:1']], ['day.date_format' => 'Write the day as 2026-12-01.']);
        $rehearsals = isset($given['rehearsals']);
        $diaries = $this->diaries->business($business, $rehearsals);
        $first = isset($given['day']) ? new \DateTimeImmutable($given['day'], $diaries->tz) : $view->begins($diaries, new \DateTimeImmutable('now', $diaries->tz));
        $count = ($given['view'] ?? 'day') === 'week' ? self::WEEK : self::DAYS_SHOWN;
        $service = $diaries->services[$given['service'] ?? ''] ?? (array_values($diaries->services)[0] ?? null);
        $step = $count === self::WEEK ? 7 : $count;

        return view('diary', [
            'business' => $business, 'agent' => $this->current->in($business), 'diaries' => $diaries, 'service' => $service, 'area' => $given['area'] ?? null, 'kind' => $given['view'] ?? 'day', 'rehearsals' => $rehearsals, 'fetched' => Diary::query()->where('business_id', $business->id)->whereNotNull('calendar_url')->orderBy('id')->get(),
            'waits' => $waits->in($business, $diaries, $rehearsals), 'days' => $view->days($business, $diaries, $service, $first, $count, $given['area'] ?? null, $rehearsals), 'first' => $first, 'before' => $first->modify("-{$step} days"), 'after' => $first->modify("+{$step} days"), 'span' => $view->span($diaries),
        ]);
    }

    public function ask(Request $request, Business $business): View
    {
        $given = $request->validate(['said' => ['nullable', 'array', 'max:12'], 'said.*' => ['nullable', 'string', 'max:300'], 'service' => ['nullable', 'string', 'max:60'], 'area' => ['nullable', 'string', 'max:120'], 'now' => ['nullable', 'date']]);
        $diaries = $this->diaries->business($business);
        $service = $diaries->services[$given['service'] ?? ''] ?? (array_values($diaries->services)[0] ?? null);
        $now = isset($given['now']) ? (new \DateTimeImmutable($given['now'], $diaries->tz))->getTimestamp() : time();
        $said = array_values(array_filter(array_map(static fn (mixed $one): string => trim((string) $one), $given['said'] ?? []), static fn (string $one): bool => $one !== ''));
        $turns = [];
        $wish = new Wish;
        if ($service !== null) {
            $negotiation = new Negotiation($diaries, Vocabulary::of());
            $offered = [];
            foreach ($said as $words) {
                $before = $wish;
                $wish = $negotiation->wish($wish, $words, $now, $offered);
                $offer = $negotiation->offer($service, $wish, $now, $given['area'] ?? null);
                $offered = array_map(static fn (Start $start): int => $start->at, $offer->starts);
                $turns[] = ['said' => $words, 'understood' => $wish->toArray() != $before->toArray(), 'offer' => $offer];
            }
        }

        return view('diary-ask', ['business' => $business, 'agent' => $this->current->in($business), 'diaries' => $diaries, 'service' => $service, 'said' => $said, 'turns' => $turns, 'area' => $given['area'] ?? null, 'now' => $now, 'refusals' => $turns === [] || $service === null ? [] : $this->refusals($diaries, $service, $wish, $now, $given['area'] ?? null)]);
    }

    public function store(Request $request, Business $business, NumberingPlan $plan, BookByHand $by): RedirectResponse
    {
        $given = $request->validate(['service' => ['required', 'string', 'max:60'], 'diary' => ['required', 'string', 'max:60'], 'start' => ['required', 'date_format:Y-m-d\TH:i'], 'name' => ['required', 'string', 'max:120'], 'number' => ['nullable', 'string', 'max:40'], 'area' => ['nullable', 'string', 'max:120'], 'note' => ['nullable', 'string', 'max:1000'], 'anyway' => ['nullable', 'in:1']], ['name.required' => 'Who is it for?', 'start.date_format' => 'Write the start as a day and a time.']);
        $number = trim((string) ($given['number'] ?? ''));
        $parsed = $number === '' ? null : $plan->parse($number, $business->country);
        if ($number !== '' && ($parsed === null || ! $parsed->valid)) {
            throw ValidationException::withMessages(['number' => "“{$number}” is no telephone number."]);
        }
        $at = (new \DateTimeImmutable($given['start'], new \DateTimeZone($business->tz)))->getTimestamp();
        $booking = $by->book($business, $given['service'], new Start($at, $given['diary']), ['name' => $given['name'], 'number' => $parsed?->e164, 'area' => $given['area'] ?? null, 'note' => $given['note'] ?? null], isset($given['anyway']));

        return redirect()->route('diary', [$business, 'day' => substr($given['start'], 0, 10)])->with('notice', "Booked for {$booking->name}: {$booking->reference}.");
    }

    /** Whether a booking may go there, and what the caller would be told. */
    public function check(Request $request, Business $business, Booking $booking, MoveBooking $move, FollowBooking $follow): JsonResponse
    {
        [$start, $diaries] = $this->target($request, $business);
        $why = $move->why($booking, $start);
        $free = $why === null || $why === Reason::Raster;
        $when = $start->in($diaries->tz)->format('l j F, H:i');

        return response()->json(['free' => $free, 'words' => $free ? "{$booking->name} is moved to {$when} with {$diaries->diaries[$start->diary]->name}. ".($booking->number === null ? 'There is no number to tell it to.' : "The text to the caller, a minute from now: “{$follow->words($booking, $start->at)}”") : "{$when} is not free for {$diaries->diaries[$start->diary]->name}: ".($why === null ? '' : $why->inWords()).'.']);
    }

    public function move(Request $request, Business $business, Booking $booking, MoveBooking $move): JsonResponse
    {
        [$start, $diaries] = $this->target($request, $business);
        $was = ['at' => $booking->starts_at, 'diary' => $booking->diary->key];
        if (! $move->to($booking, $start, null, false)) {
            throw ValidationException::withMessages(['start' => 'That time is not free any more.']);
        }
        $this->note($business, $request, "{$booking->reference} moved to ".$start->in($diaries->tz)->format('Y-m-d H:i'));
        $request->session()->flash('undo', ['text' => "{$booking->name} is moved.", 'action' => route('booking.undo', [$business, $booking, 'at' => $was['at'], 'diary' => $was['diary']])]);

        return response()->json(['moved' => true]);
    }

    public function undo(Request $request, Business $business, Booking $booking, MoveBooking $move): RedirectResponse
    {
        $given = $request->validate(['at' => ['required', 'integer'], 'diary' => ['required', 'string', 'max:60']]);
        $back = $move->to($booking, new Start((int) $given['at'], $given['diary']), null, false);

        return redirect()->route('diary', [$business, 'day' => date('Y-m-d', $booking->refresh()->starts_at)])->with('notice', $back ? "{$booking->name} is back where it was." : 'Where it was is taken by now; it stays.');
    }

    public function cancel(Request $request, Business $business, Booking $booking, FollowBooking $follow): RedirectResponse
    {
        DB::transaction(static function () use ($booking, $follow): void {
            $booking->update(['state' => 'cancelled', 'sequence' => $booking->sequence + 1]);
            $follow->cancelled($booking, true);
        });
        $this->note($business, $request, "{$booking->reference} cancelled");

        return redirect()->route('diary', [$business, 'day' => date('Y-m-d', $booking->starts_at)])->with('undo', ['text' => "The booking of {$booking->name} is cancelled.", 'action' => route('booking.restore', [$business, $booking])]);
    }

    public function restore(Business $business, Booking $booking, MoveBooking $move, FollowBooking $follow): RedirectResponse
    {
        $back = DB::transaction(static function () use ($booking, $move, $follow): bool {
            Diary::query()->whereKey($booking->diary_id)->update(['updated_at' => now()]);
            if ($booking->refresh()->state !== 'cancelled' || $move->why($booking, new Start($booking->starts_at, $booking->diary->key)) === Reason::Busy) {
                return false;
            }
            $booking->update(['state' => 'booked', 'sequence' => $booking->sequence + 1, 'place' => Booking::freePlace($booking->diary_id, $booking->starts_at, $booking->rehearsal, $booking->id)]);
            $follow->restored($booking);

            return true;
        });
        $answer = redirect()->route('diary', [$business, 'day' => date('Y-m-d', $booking->starts_at)]);

        return $back ? $answer->with('notice', "{$booking->name} is booked again.") : $answer->withErrors(['booking' => 'Somebody else has that time by now.']);
    }

    /** @return array{Start, Diaries} */
    private function target(Request $request, Business $business): array
    {
        $given = $request->validate(['start' => ['required', 'date_format:Y-m-d\TH:i'], 'diary' => ['required', 'string', 'max:60']]);
        $diaries = $this->diaries->business($business);
        isset($diaries->diaries[$given['diary']]) || throw ValidationException::withMessages(['diary' => 'There is no such diary.']);

        return [new Start((new \DateTimeImmutable($given['start'], $diaries->tz))->getTimestamp(), $given['diary']), $diaries];
    }

    /** @return list<array{at: string, diary: string, why: string}> times inside the wish that are not free, with the reason */
    private function refusals(Diaries $diaries, Service $service, Wish $wish, int $now, ?string $area): array
    {
        $free = new FreeTimes($diaries);
        $found = [];
        $day = (new \DateTimeImmutable('@'.$now))->setTimezone($diaries->tz)->setTime(0, 0);
        for ($n = 0; $n <= $service->aheadDays && count($found) < 24; $n++, $day = $day->modify('+1 day')) {
            [$date, $weekday] = [$day->format('Y-m-d'), (int) $day->format('N')];
            if (! $wish->day($date, $weekday)) {
                continue;
            }
            for ($minute = 0; $minute < 1440; $minute += $service->step) {
                foreach ($wish->time($minute, $service->minutes, $date, $weekday) && ($diaries->hours->on($weekday) !== []) ? $diaries->taking($service) : [] as $diary) {
                    $at = $day->setTime(intdiv($minute, 60), $minute % 60);
                    $why = $free->why($service, $diary, $at->getTimestamp(), $now, $area);
                    if ($why !== null && ! in_array($why, [Reason::Raster, Reason::Closed], true) && count($found) < 24) {
                        $found[] = ['at' => $at->format('D j M, H:i'), 'diary' => $diary->name, 'why' => $why->inWords()];
                    }
                }
            }
        }

        return $found;
    }

    private function note(Business $business, Request $request, string $words): void
    {
        $user = $request->user();
        AuditEntry::note($business->id, $user instanceof User ? $user : null, 'diary', $words);
    }
}
