<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A user's role in a business.
 *
 * @property Role $role
 */
final class Membership extends Model
{
    protected $table = 'memberships';

    protected $fillable = ['user_id', 'business_id', 'role'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class];
    }
}
