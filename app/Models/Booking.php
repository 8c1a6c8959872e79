<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A place in a diary: held while it is read back, booked, or cancelled.
 *
 * @property int $id
 * @property int $business_id
 * @property int $diary_id
 * @property ?int $call_id
 * @property ?int $contact_id
 * @property string $reference
 * @property string $service
 * @property string $label
 * @property int $starts_at seconds since 1970
 * @property int $ends_at
 * @property int $place which of several places of one start
 * @property ?string $area
 * @property ?string $name
 * @property ?string $number
 * @property ?string $note
 * @property string $state held, booked or cancelled
 * @property string $by agent or colleague
 * @property bool $rehearsal whether only rehearsals see it
 * @property ?\Illuminate\Support\Carbon $held_until
 * @property int $sequence how often it was changed (RFC 5545)
 * @property ?\Illuminate\Support\Carbon $updated_at
 * @property-read Diary $diary
 * @property-read ?Call $call
 */
final class Booking extends Model
{
    protected $table = 'bookings';

    protected $fillable = ['business_id', 'diary_id', 'call_id', 'contact_id', 'reference', 'service', 'label', 'starts_at', 'ends_at', 'place', 'area', 'name', 'number', 'note', 'state', 'by', 'rehearsal', 'held_until', 'sequence'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['starts_at' => 'integer', 'ends_at' => 'integer', 'place' => 'integer', 'sequence' => 'integer', 'rehearsal' => 'boolean', 'held_until' => 'datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'reference';
    }

    /** @return BelongsTo<Diary, $this> */
    public function diary(): BelongsTo
    {
        return $this->belongsTo(Diary::class);
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** The lowest place of a start that nobody has: the unique index keeps two from taking the same. */
    public static function freePlace(int $diary, int $at, bool $rehearsal, ?int $but = null): int
    {
        $taken = self::query()->where('diary_id', $diary)->where('starts_at', $at)->where('rehearsal', $rehearsal)->where('state', '!=', 'cancelled')->when($but !== null, static fn (Builder $q) => $q->whereKeyNot($but))->pluck('place')->all();
        for ($place = 0; in_array($place, $taken, true); $place++);

        return $place;
    }

    /**
     * What takes a place now: booked, or held and not lapsed.
     *
     * @return Builder<self>
     */
    public static function standing(): Builder
    {
        return self::query()->where(static fn (Builder $q) => $q->where('state', 'booked')->orWhere(static fn (Builder $held) => $held->where('state', 'held')->where('held_until', '>', now())));
    }
}
