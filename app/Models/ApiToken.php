<?php

declare(strict_types=1);

namespace App\Models;

use App\Api\Ability;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * A token with which another system comes to a business's interface; it is shown once, only its hash is kept.
 *
 * @property int $id
 * @property int $tokenable_id the business
 * @property ?int $user_id who made it
 * @property string $name
 * @property list<string> $abilities
 * @property ?\Illuminate\Support\Carbon $last_used_at to the minute
 * @property ?\Illuminate\Support\Carbon $expires_at
 * @property-read Business $tokenable
 * @property-read ?User $user
 */
final class ApiToken extends PersonalAccessToken
{
    use Concerns\BootsByName;
    use Concerns\ReadsPlainly;

    protected $table = 'personal_access_tokens';

    protected $fillable = ['name', 'token', 'abilities', 'expires_at', 'user_id'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function may(Ability $ability): bool
    {
        return in_array($ability->value, $this->abilities, true);
    }
}
