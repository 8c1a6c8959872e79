<?php

declare(strict_types=1);

namespace App\Api;

/** What a token may do, by subject. */
enum Ability: string
{
    case Calls = 'calls';
    case Transcripts = 'transcripts';
    case Records = 'records';
    case KeptBack = 'kept_back';
    case Contacts = 'contacts';
    case ContactsWrite = 'contacts_write';
    case Bookings = 'bookings';
    case Outreach = 'outreach';
    case Forms = 'forms';

    public function words(): string
    {
        return match ($this) {
            self::Calls => 'read calls',
            self::Transcripts => 'read what was said in calls',
            self::Records => 'read records',
            self::KeptBack => 'and what records keep for owners and designers',
            self::Contacts => 'read callers',
            self::ContactsWrite => 'write callers',
            self::Bookings => 'read bookings',
            self::Outreach => 'have people rung in a campaign, and see what came of it',
            self::Forms => 'hand in web forms',
        };
    }
}
