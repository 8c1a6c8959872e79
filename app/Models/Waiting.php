<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A caller who waits for a time that suits.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $call_id
 * @property ?int $contact_id
 * @property string $service
 * @property ?string $area
 * @property ?string $name
 * @property ?string $number
 * @property array<string, mixed> $wish as Ringo\Understanding\When\Wishes\Wish::toArray() writes it
 * @property string $said the caller's words
 * @property string $state WAITING, BOOKED or GONE
 * @property bool $rehearsal whether it was only rehearsed
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property-read ?Call $call
 */
final class Waiting extends Model
{
    public const WAITING = 'waiting';

    public const BOOKED = 'booked';

    public const GONE = 'gone';

    protected $table = 'waiting_list';

    protected $fillable = ['business_id', 'call_id', 'contact_id', 'service', 'area', 'name', 'number', 'wish', 'said', 'state', 'rehearsal'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['wish' => 'array', 'rehearsal' => 'boolean'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
