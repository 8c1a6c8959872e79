<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Symfony\Component\HttpFoundation\ParameterBag;

/**
 * Somebody who may sign in.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property ?string $second_secret of one-time codes
 * @property ?\Illuminate\Support\Carbon $second_since since when a code is asked for
 * @property ?int $second_last step of the code taken last
 * @property ?list<string> $recovery_codes hashes
 */
final class User extends Authenticatable
{
    use Concerns\BootsByName;
    use Concerns\ReadsPlainly;

    protected $table = 'users';

    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token', 'second_secret', 'recovery_codes'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'second_secret' => 'encrypted', 'second_since' => 'datetime', 'recovery_codes' => 'array'];
    }

    /** @return BelongsToMany<Business, $this> */
    public function businesses(): BelongsToMany
    {
        return $this->belongsToMany(Business::class, 'memberships')->withPivot('role')->whereNull('businesses.archived_at')->orderBy('businesses.name');
    }

    public function roleIn(Business $business): ?Role
    {
        // One request asks more than once, and gets one answer.
        $asked = app()->bound('request') ? request()->attributes : new ParameterBag;
        $key = "role of {$this->id} in {$business->id}";
        if (! $asked->has($key)) {
            $role = Membership::query()->where('user_id', $this->id)->where('business_id', $business->id)->value('role');
            $asked->set($key, is_string($role) ? Role::tryFrom($role) : $role);
        }
        $role = $asked->get($key);

        return $role instanceof Role ? $role : null;
    }
}
