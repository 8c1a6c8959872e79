<?php

declare(strict_types=1);

namespace App\Models;

/** What a user may do in a business. */
enum Role: string
{
    case Owner = 'owner';
    case Designer = 'designer';
    case Staff = 'staff';

    /** Staff take calls and check records; they never edit or rehearse a script. */
    public function designs(): bool
    {
        return $this !== self::Staff;
    }
}
