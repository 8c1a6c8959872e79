<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\Diary;
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

    public function hold(string $call, string $service, Start $start, ?string $area): bool
    {
        return $this->placed($service, $start, ['state' => 'held', 'held_until' => now()->addSeconds(self::HELD_SECONDS), 'area' => $area]) !== null;
    }

    public function release(string $call): void
    {
        if ($this->ofCall !== null) {
            Booking::query()->where('call_id', $this->ofCall->id)->where('state', 'held')->delete();
        }
    }

    public function book(string $call, string $service, Start $start, array $for): ?Booked
    {
        $booking = $this->placed($service, $start, ['state' => 'booked', 'held_until' => null, 'area' => $for['area'], 'name' => $for['name'] ?? $this->ofCall?->contact?->name, 'number' => $for['number'], 'note' => mb_substr($for['note'], 0, 1000), 'contact_id' => $this->ofCall?->contact_id]);

        return $booking === null ? null : $this->booked($booking);
    }

    public function of(string $call, ?string $number, ?string $name, \DateTimeImmutable $now): array
    {
        $found = Booking::query()->with('diary')->where('business_id', $this->business->id)->where('state', 'booked')->where('starts_at', '>', $now->getTimestamp())
            ->when(! $this->rehearsal(), static fn ($q) => $q->where('rehearsal', false))
            ->where(fn ($q) => $q->where('id', 0)->when($number !== null, static fn ($own) => $own->orWhere('number', $number))->when($this->ofCall?->contact_id !== null, fn ($own) => $own->orWhere('contact_id', $this->ofCall?->contact_id)))->get();

        $own = array_map(fn (Booking $one): Booked => $this->booked($one), array_values($found->all()));
        usort($own, static fn (Booked $a, Booked $b): int => $a->start->at <=> $b->start->at);

        return $own;
    }

    public function move(string $call, string $reference, Start $start): ?Booked
    {
        $booking = Booking::query()->where('business_id', $this->business->id)->where('reference', $reference)->first();
        if (! $booking instanceof Booking) {
            return null;
        }
        if ($this->rehearsal() && ! $booking->rehearsal) {
            // A rehearsal moves nothing that is real.
            return new Booked($reference, $booking->service, $booking->label, $start, $booking->area);
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
     * Writes a place, where it is still free: looked at under the write lock, and held by a unique index besides.
     *
     * @param array<string, mixed> $data
     */
    private function placed(string $key, Start $start, array $data): ?Booking
    {
        return DB::transaction(function () use ($key, $start, $data): ?Booking {
            // The first statement writes, so that the lock is held before anything is read.
            Diary::query()->where('business_id', $this->business->id)->where('key', $start->diary)->update(['updated_at' => now()]);
            $this->release('');
            Booking::query()->where('business_id', $this->business->id)->where('state', 'held')->where('held_until', '<=', now())->delete();
            $diaries = $this->diaries->business($this->business, $this->rehearsal(), $this->ofCall?->id, null, $start->at);
            $service = $diaries->services[$key] ?? null;
            $diary = $diaries->diaries[$start->diary] ?? null;
            $row = Diary::query()->where('business_id', $this->business->id)->where('key', $start->diary)->first();
            if ($service === null || $diary === null || $row === null) {
                return null;
            }
            $why = (new FreeTimes($diaries))->why($service->anyDay(), $diary, $start->at, min(time(), $start->at - 3600 * $service->noticeHours), is_string($data['area'] ?? null) ? $data['area'] : null);
            if ($why !== null) {
                return null;
            }
            $place = Booking::freePlace($row->id, $start->at, $this->rehearsal());
            try {
                return Booking::query()->create($data + ['business_id' => $this->business->id, 'diary_id' => $row->id, 'call_id' => $this->ofCall?->id, 'reference' => self::reference($this->business), 'service' => $key, 'label' => $service->label, 'starts_at' => $start->at, 'ends_at' => $start->at + 60 * $service->minutes, 'place' => $place, 'rehearsal' => $this->rehearsal(), 'by' => 'agent']);
            } catch (UniqueConstraintViolationException) {
                return null;
            }
        }, self::ATTEMPTS);
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
        return new Booked($booking->reference, $booking->service, $booking->label, new Start($booking->starts_at, $booking->diary->key), $booking->area);
    }

    private function rehearsal(): bool
    {
        return $this->ofCall !== null && $this->ofCall->kind === 'rehearsal';
    }
}
