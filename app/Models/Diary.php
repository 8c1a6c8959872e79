<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * The diary of a person, a room or a machine.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property string $name
 * @property array<string, mixed> $document hours, breaks, days off, services, base, as in docs/formats/diaries.md
 * @property string $feed unguessable part of the address others subscribe to
 * @property ?string $calendar_url where busy times are fetched from
 * @property ?\Illuminate\Support\Carbon $calendar_at when they last came in
 * @property ?\Illuminate\Support\Carbon $calendar_tried_at
 * @property string $calendar_problem
 */
final class Diary extends Model
{
    use SoftDeletes;

    protected $table = 'diaries';

    protected $fillable = ['business_id', 'key', 'name', 'document', 'feed', 'calendar_url', 'calendar_at', 'calendar_tried_at', 'calendar_problem'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'calendar_at' => 'datetime', 'calendar_tried_at' => 'datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Booking, $this> */
    public function bookings(): HasMany
    {
        return $this->hasMany(Booking::class);
    }

    /** @return HasMany<DiaryBusy, $this> */
    public function busy(): HasMany
    {
        return $this->hasMany(DiaryBusy::class);
    }
}
