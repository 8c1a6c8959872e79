<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link that sets a new password, once; only the hash of its secret is kept.
 *
 * @property int $id
 * @property Carbon $expires_at
 * @property-read User $user
 */
final class PasswordLink extends Model
{
    protected $table = 'password_links';

    protected $fillable = ['user_id', 'token_hash', 'expires_at', 'used_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'used_at' => 'datetime'];
    }

    public static function open(string $token): ?self
    {
        /** @var ?self $open */
        $open = self::query()->where('token_hash', hash('sha256', $token))->whereNull('used_at')->where('expires_at', '>', now())->first();

        return $open?->load('user');
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
