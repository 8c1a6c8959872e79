<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Business;
use App\Models\User;

/** Who may do what in a business: members enter, owners and designers design. */
final class BusinessPolicy
{
    public function enter(User $user, Business $business): bool
    {
        return $user->roleIn($business) !== null;
    }

    public function design(User $user, Business $business): bool
    {
        return $user->roleIn($business)?->designs() ?? false;
    }
}
