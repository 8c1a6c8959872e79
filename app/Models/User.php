<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * Somebody who may sign in.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password'];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }

    /** @return BelongsToMany<Business, $this> */
    public function businesses(): BelongsToMany
    {
        return $this->belongsToMany(Business::class, 'memberships')->withPivot('role')->orderBy('businesses.name');
    }

    public function roleIn(Business $business): ?Role
    {
        $role = Membership::query()->where('user_id', $this->id)->where('business_id', $business->id)->value('role');

        return is_string($role) ? Role::tryFrom($role) : ($role instanceof Role ? $role : null);
    }
}
