<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\StartCall;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Release;
use App\Models\User;
use Illuminate\Support\Carbon;

/** Rings whoever launches on the handset, by the release and with what the list knows of one of its people. Nobody's attempt is used. */
final readonly class RingTestPerson
{
    public function __construct(private StartCall $start)
    {
    }

    public function ring(Campaign $campaign, Release $release, ?CampaignPerson $person, User $user): Call
    {
        $campaign->loadMissing('agent.business', 'business');
        $facts = $person === null ? [] : array_map(static fn (mixed $one): string => (string) $one, array_filter($person->facts, is_scalar(...)));
        $caller = CallerChoice::listed($person->name ?? '', $person?->e164, $facts);
        $call = $this->start->rehearse($campaign->agent, $release->scriptText, $user, $caller, Carbon::now($campaign->business->tz)->toDateTimeImmutable());
        $call->update(['release_id' => $release->id]);

        return $call;
    }
}
