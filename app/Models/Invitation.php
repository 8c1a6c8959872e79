<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link that lets somebody into a business; only the hash of its secret is kept.
 *
 * @property int $id
 * @property int $business_id
 * @property string $email
 * @property Role $role
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property ?Carbon $accepted_at
 * @property-read Business $business
 */
final class Invitation extends Model
{
    protected $table = 'invitations';

    protected $fillable = ['business_id', 'invited_by', 'email', 'role', 'token_hash', 'expires_at', 'accepted_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'expires_at' => 'datetime', 'accepted_at' => 'datetime'];
    }

    public static function open(string $token): ?self
    {
        /** @var ?self $open */
        $open = self::query()->where('token_hash', hash('sha256', $token))->whereNull('accepted_at')->where('expires_at', '>', now())->first();

        return $open?->load('business');
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<User, $this> */
    public function inviter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'invited_by');
    }
}
