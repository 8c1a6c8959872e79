<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Something that was done in a business, by whom and when.
 *
 * @property string $did
 * @property string $words
 * @property ?Carbon $created_at
 */
final class AuditEntry extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'audit_entries';

    protected $fillable = ['business_id', 'user_id', 'did', 'words'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public static function note(int $businessId, ?User $user, string $did, string $words): void
    {
        self::query()->create(['business_id' => $businessId, 'user_id' => $user?->id, 'did' => $did, 'words' => $words]);
    }
}
