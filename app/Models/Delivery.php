<?php

declare(strict_types=1);

namespace App\Models;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Diary\CalendarFile;
use App\Models\Concerns\ShownAsCopy;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One text, e-mail, row or web request that a call caused.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $call_id
 * @property ?int $delivery_rule_id
 * @property string $key the same however often it is tried
 * @property string $name
 * @property string $kind
 * @property string $to
 * @property string $subject
 * @property string $body
 * @property ?string $file
 * @property string $state waiting, sending, sent, failed, dead or cancelled
 * @property int $attempts
 * @property \Illuminate\Support\Carbon $due_at
 * @property ?\Illuminate\Support\Carbon $claimed_at
 * @property ?\Illuminate\Support\Carbon $sent_at
 * @property string $problem
 * @property list<array{at: string, what: string}> $log
 * @property-read ?DeliveryRule $rule
 * @property-read ?Call $call
 * @property-read Business $business
 */
final class Delivery extends Model
{
    use ShownAsCopy;

    protected $table = 'deliveries';

    protected $fillable = ['business_id', 'call_id', 'delivery_rule_id', 'key', 'name', 'kind', 'to', 'subject', 'body', 'file', 'state', 'attempts', 'due_at', 'claimed_at', 'sent_at', 'problem', 'log'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['due_at' => 'datetime', 'claimed_at' => 'datetime', 'sent_at' => 'datetime', 'log' => 'array'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** @return BelongsTo<DeliveryRule, $this> */
    public function rule(): BelongsTo
    {
        return $this->belongsTo(DeliveryRule::class, 'delivery_rule_id');
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /**
     * The file that goes with it, as it is now; none where it carries none.
     *
     * @throws \App\Gateways\Post\NotDelivered where it names one that is not there
     */
    public function enclosure(): ?Enclosure
    {
        if (! DeliveryKinds::of($this->kind)->has('file') || $this->file === null || $this->file === '') {
            return null;
        }

        $enclosed = $this->enclosed();
        if ($enclosed !== null || $this->file === CalendarFile::INVITATION) {
            // A call that booked nothing has nothing to invite to; the words go all the same.
            return $enclosed;
        }

        throw new \App\Gateways\Post\NotDelivered("the file “{$this->file}” is not among the files of the business; put it there, then send again", true);
    }

    public function enclosed(): ?Enclosure
    {
        if ($this->file === CalendarFile::INVITATION) {
            return $this->invitation();
        }

        return Enclosure::query()->where('business_id', $this->business_id)->where('name', (string) $this->file)->first();
    }

    /** The booking as it is now, as an invitation or its cancellation; none where the call booked nothing. */
    private function invitation(): ?Enclosure
    {
        if ($this->call === null) {
            return null;
        }
        $booked = $this->call->state['booked'] ?? [];
        $references = array_column(is_array($booked) ? $booked : [], 'reference');
        // What became of one booking goes alone; what the call booked goes together.
        $alone = preg_match('/^([A-Z0-9]+)-\d+-told-/', $this->key, $m) === 1 ? $m[1] : null;
        /** @var list<Booking> $bookings */
        $bookings = Booking::query()->where('business_id', $this->business_id)->when($alone !== null, static fn ($q) => $q->where('reference', $alone), fn ($q) => $q->where(fn ($own) => $own->where('call_id', $this->call_id)->orWhereIn('reference', $references)))->where('state', '!=', 'held')->orderBy('starts_at')->get()->all();
        if ($bookings === []) {
            return null;
        }
        $standing = array_values(array_filter($bookings, static fn (Booking $one): bool => $one->state === 'booked'));
        $bookings = $standing === [] ? [$bookings[count($bookings) - 1]] : $standing;
        $method = CalendarFile::method($bookings);

        return Enclosure::made(CalendarFile::INVITATION, "text/calendar; charset=utf-8; method={$method}", (new CalendarFile)->invitation($bookings));
    }

    /** One line of what is sent. */
    public function inShort(): string
    {
        return DeliveryKinds::of($this->kind)->inShort($this);
    }
}
