<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Diary;
use App\Models\Waiting;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Diary\Diaries;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Start;

/**
 * The book of a business, for one call: what it holds and books is in the database before it is said. A rehearsal books beside the
 * real ones, and only rehearsals see it.
 */
final readonly class AppointmentBook implements Appointments
{
    /** How long a hold lasts without a word of the caller. */
    private const HELD_SECONDS = 180;

    /** A database that is busy is asked again so often. */
    private const ATTEMPTS = 5;

    public function __construct(private Business $business, private ?Call $ofCall, private DiariesOf $diaries, private MoveBooking $mover, private FollowBooking $follow)
    {
    }

    public function diaries(string $call): Diaries
    {
        return $this->diaries->business($this->business, $this->rehearsal(), $this->ofCall?->id, null, null, $this->ofCall === null ? null : min(time(), $this->ofCall->placedAt()->getTimestamp()));
    }

    public function hold(string $call, string $service, array $starts, ?string $area): bool
    {
        return $this->placed($service, $starts, ['state' => 'held', 'held_until' => now()->addSeconds(self::HELD_SECONDS), 'area' => $area]) !== null;
    }

    public function release(string $call): void
    {
        if ($this->ofCall !== null) {
            Booking::query()->where('call_id', $this->ofCall->id)->where('state', 'held')->delete();
        }
    }

    public function book(string $call, string $service, array $starts, array $for): ?array
    {
        $bookings = $this->placed($service, $starts, ['state' => 'booked', 'held_until' => null, 'area' => $for['area'], 'name' => $for['name'] ?? $this->ofCall?->contact?->name, 'number' => $for['number'], 'note' => mb_substr($for['note'], 0, 1000), 'contact_id' => $this->ofCall?->contact_id]);

        return $bookings === null ? null : array_map($this->booked(...), $bookings);
    }

    public function of(string $call, ?string $number, \DateTimeImmutable $now): array
    {
        return $this->all($this->own($number)->where('starts_at', '>', $now->getTimestamp()));
    }

    public function referred(string $call, string $reference, \DateTimeImmutable $now): ?Booked
    {
        return $this->all($this->standing()->where('reference', $reference)->where('starts_at', '>', $now->getTimestamp()))[0] ?? null;
    }

    public function between(string $call, int $from, int $to): array
    {
        return $this->all($this->standing()->where('starts_at', '>=', $from)->where('starts_at', '<', $to));
    }

    public function last(string $call, ?string $number, \DateTimeImmutable $now): ?Booked
    {
        $past = $this->all($this->own($number)->where('starts_at', '<=', $now->getTimestamp()));

        return $past === [] ? null : $past[count($past) - 1];
    }

    public function wait(string $call, string $service, array $wish, array $for): void
    {
        Waiting::query()->create(['business_id' => $this->business->id, 'call_id' => $this->ofCall?->id, 'contact_id' => $this->ofCall?->contact_id, 'service' => $service, 'area' => $for['area'], 'name' => $for['name'] ?? $this->ofCall?->contact?->name, 'number' => $for['number'], 'wish' => $wish, 'said' => mb_substr($for['note'], 0, 1000), 'state' => Waiting::WAITING, 'rehearsal' => $this->rehearsal()]);
    }

    public function move(string $call, string $reference, Start $start): ?Booked
    {
        $booking = Booking::query()->where('business_id', $this->business->id)->where('reference', $reference)->first();
        if (! $booking instanceof Booking) {
            return null;
        }
        if ($this->rehearsal() && ! $booking->rehearsal) {
            // A rehearsal moves nothing that is real.
            return new Booked($reference, $booking->service, $booking->label, $start, $booking->area, $booking->name);
        }

        return $this->mover->to($booking, $start, $this->ofCall) ? $this->booked($booking->refresh()) : null;
    }

    public function cancel(string $call, string $reference): void
    {
        $booking = Booking::query()->where('business_id', $this->business->id)->where('reference', $reference)->where('state', 'booked')->when($this->rehearsal(), static fn ($q) => $q->where('rehearsal', true))->first();
        if ($booking !== null) {
            DB::transaction(function () use ($booking): void {
                $booking->update(['state' => 'cancelled', 'sequence' => $booking->sequence + 1]);
                $this->follow->cancelled($booking, false);
            });
        }
    }

    /**
     * Writes places, where all of them are still free: looked at under the write lock, and held by a unique index besides.
     *
     * @param non-empty-list<Start> $starts
     * @param array<string, mixed> $data
     *
     * @return non-empty-list<Booking>|null
     */
    private function placed(string $key, array $starts, array $data): ?array
    {
        try {
            return DB::transaction(function () use ($key, $starts, $data): array {
                // The first statement writes, so that the lock is held before anything is read.
                Diary::query()->where('business_id', $this->business->id)->whereIn('key', array_map(static fn (Start $start): string => $start->diary, $starts))->update(['updated_at' => now()]);
                $this->release('');
                Booking::query()->where('business_id', $this->business->id)->where('state', 'held')->where('held_until', '<=', now())->delete();

                return array_map(fn (Start $start): Booking => $this->place($key, $start, $data), $starts);
            }, self::ATTEMPTS);
        } catch (Taken) {
            return null;
        }
    }

    /**
     * @param array<string, mixed> $data
     *
     * @throws Taken
     */
    private function place(string $key, Start $start, array $data): Booking
    {
        $diaries = $this->diaries->business($this->business, $this->rehearsal(), $this->ofCall?->id, null, $start->at);
        $service = $diaries->services[$key] ?? throw new Taken;
        $diary = $diaries->diaries[$start->diary] ?? throw new Taken;
        $row = Diary::query()->where('business_id', $this->business->id)->where('key', $start->diary)->first() ?? throw new Taken;
        if ((new FreeTimes($diaries))->why($service->anyDay(), $diary, $start->at, min(time(), $start->at - 3600 * $service->noticeHours), is_string($data['area'] ?? null) ? $data['area'] : null) !== null) {
            throw new Taken;
        }
        try {
            return Booking::query()->create($data + ['business_id' => $this->business->id, 'diary_id' => $row->id, 'call_id' => $this->ofCall?->id, 'reference' => self::reference($this->business), 'service' => $key, 'label' => $service->label, 'starts_at' => $start->at, 'ends_at' => $start->at + 60 * $service->minutes, 'place' => Booking::freePlace($row->id, $start->at, $this->rehearsal()), 'rehearsal' => $this->rehearsal(), 'by' => 'agent']);
        } catch (UniqueConstraintViolationException) {
            throw new Taken;
        }
    }

    /** @return Builder<Booking> what is booked, as this call may see it */
    private function standing(): Builder
    {
        return Booking::query()->where('business_id', $this->business->id)->where('state', 'booked')->when(! $this->rehearsal(), static fn (Builder $q) => $q->where('rehearsal', false));
    }

    /** @return Builder<Booking> what this caller has booked */
    private function own(?string $number): Builder
    {
        $contact = $this->ofCall?->contact_id;

        return $this->standing()->where(static fn (Builder $q) => $q->where('id', 0)->when($number !== null, static fn (Builder $own) => $own->orWhere('number', $number))->when($contact !== null, static fn (Builder $own) => $own->orWhere('contact_id', $contact)));
    }

    /**
     * @param Builder<Booking> $bookings
     *
     * @return list<Booked> the earliest first
     */
    private function all(Builder $bookings): array
    {
        return array_map($this->booked(...), array_values($bookings->with('diary')->get()->sortBy('starts_at')->all()));
    }

    /** Letters and figures that cannot be taken for one another, unique in the business. */
    public static function reference(Business $business): string
    {
        do {
            $reference = implode('', array_map(static fn (): string => substr('ABCDEFGHJKLMNPRSTUVWXYZ23456789', random_int(0, 29), 1), range(1, 6)));
        } while (Booking::query()->where('business_id', $business->id)->where('reference', $reference)->exists());

        return $reference;
    }

    private function booked(Booking $booking): Booked
    {
        return new Booked($booking->reference, $booking->service, $booking->label, new Start($booking->starts_at, $booking->diary->key), $booking->area, $booking->name);
    }

    private function rehearsal(): bool
    {
        return $this->ofCall !== null && $this->ofCall->kind === 'rehearsal';
    }
}
