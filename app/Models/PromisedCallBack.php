<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A call-back that a caller was promised.
 *
 * @property int $id
 * @property int $call_id
 * @property int $business_id
 * @property string $target team:, person: or number:; empty for whoever is free
 * @property string $number E.164
 * @property ?string $name
 * @property string $why
 * @property Carbon $due_at
 * @property ?Carbon $done_at
 * @property ?int $person_id who rang back
 * @property string $result
 * @property-read Call $call
 */
final class PromisedCallBack extends Model
{
    protected $table = 'call_backs';

    protected $fillable = ['call_id', 'business_id', 'target', 'number', 'name', 'why', 'due_at', 'done_at', 'person_id', 'result'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['due_at' => 'datetime', 'done_at' => 'datetime'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
