<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\ContactNumber;
use App\Models\SuppressedNumber;

/** Somebody wants no more calls: at once for everything the business places, also for what waits in any campaign. */
final readonly class NeverRing
{
    /** @return bool whether the number was not on the list yet */
    public function number(int $business, string $e164, string $why, ?int $contact = null): bool
    {
        $kept = SuppressedNumber::query()->firstOrCreate(['business_id' => $business, 'e164' => $e164], ['why' => mb_substr($why, 0, 200)]);
        $contact ??= ContactNumber::query()->where('business_id', $business)->where('e164', $e164)->value('contact_id');
        if ($contact !== null) {
            Contact::query()->whereKey($contact)->update(['do_not_call' => true]);
        }
        CampaignPerson::query()->where('e164', $e164)->where('state', CampaignPerson::WAITING)->whereIn('campaign_id', Campaign::query()->where('business_id', $business)->select('id'))->update(['state' => CampaignPerson::NOT_RUNG, 'why' => 'do_not_call', 'next_at' => null]);

        return $kept->wasRecentlyCreated;
    }
}
