<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Diary;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Reason;
use Ringo\Diary\Start;

/** A booking a colleague makes: where nothing stands against it, or against a rule that gives way. */
final readonly class BookByHand
{
    public function __construct(private DiariesOf $diaries)
    {
    }

    /**
     * @param array{name: string, number: ?string, area: ?string, note: ?string, contact_id?: ?int, call_id?: ?int} $for
     * @param bool $anyway whether rules give way: notice, hours, breaks; what is taken never does
     */
    public function book(Business $business, string $service, Start $start, array $for, bool $anyway = false): Booking
    {
        return DB::transaction(function () use ($business, $service, $start, $for, $anyway): Booking {
            Diary::query()->where('business_id', $business->id)->where('key', $start->diary)->update(['updated_at' => now()]);
            $diaries = $this->diaries->business($business);
            $one = $diaries->services[$service] ?? throw ValidationException::withMessages(['service' => 'There is no such service.']);
            $diary = $diaries->diaries[$start->diary] ?? throw ValidationException::withMessages(['diary' => 'There is no such diary.']);
            $why = (new FreeTimes($diaries))->why($one->anyDay(), $diary, $start->at, time() - 3600 * $one->noticeHours, $for['area']);
            if (in_array($why, [Reason::Busy, Reason::Nobody], true) || $why !== null && $why !== Reason::Raster && ! $anyway) {
                throw ValidationException::withMessages(['start' => "{$diary->name} is not free then: {$why->inWords()}.".($why === Reason::Busy || $why === Reason::Nobody ? '' : ' Tick “all the same” to book it against the rule.')]);
            }
            $row = Diary::query()->where('business_id', $business->id)->where('key', $diary->key)->firstOrFail();

            return Booking::query()->create($for + ['business_id' => $business->id, 'diary_id' => $row->id, 'place' => Booking::freePlace($row->id, $start->at, false), 'reference' => AppointmentBook::reference($business), 'service' => $one->key, 'label' => $one->label, 'starts_at' => $start->at, 'ends_at' => $start->at + 60 * $one->minutes, 'state' => 'booked', 'by' => 'colleague']);
        });
    }
}
