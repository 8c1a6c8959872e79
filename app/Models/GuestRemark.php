<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a guest thought of an agent.
 *
 * @property int $id
 * @property ?int $call_id
 * @property string $words
 * @property ?Carbon $created_at
 * @property-read ?Call $call
 */
final class GuestRemark extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'guest_remarks';

    protected $fillable = ['guest_pass_id', 'call_id', 'words'];

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
