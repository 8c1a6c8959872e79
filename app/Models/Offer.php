<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A telephone that rings for a call.
 *
 * @property int $id
 * @property int $call_id
 * @property int $business_id
 * @property ?int $person_id
 * @property string $target
 * @property string $who key of a person, or number:
 * @property string $status ringing, answered, declined, missed or over
 * @property string $reason
 * @property array<string, mixed> $announcement
 * @property Carbon $rung_at
 * @property Carbon $ends_at
 * @property bool $before_agent whether the line rings it before the agent answers
 * @property-read Call $call
 * @property-read ?Person $person
 */
final class Offer extends Model
{
    protected $table = 'offers';

    protected $fillable = ['call_id', 'business_id', 'person_id', 'target', 'who', 'status', 'reason', 'announcement', 'rung_at', 'ends_at', 'before_agent'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['announcement' => 'array', 'rung_at' => 'datetime', 'ends_at' => 'datetime', 'before_agent' => 'boolean'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
