<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Business;
use App\Models\Role;
use App\Models\User;

/** Who may do what in a business: members enter, owners and designers design. */
final class BusinessPolicy
{
    /** A business that was put away opens for nobody; its owners bring it back from the list of their businesses. */
    public function enter(User $user, Business $business): bool
    {
        return $business->archived_at === null && $user->roleIn($business) !== null;
    }

    /** Owners let people in and out, and put the business away. */
    public function own(User $user, Business $business): bool
    {
        return $user->roleIn($business) === Role::Owner;
    }

    public function design(User $user, Business $business): bool
    {
        return $user->roleIn($business)?->designs() ?? false;
    }
}
