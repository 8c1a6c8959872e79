<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\ContactNumber;
use App\Models\FormEntry;
use App\Models\SuppressedNumber;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ringo\Outreach\Entry;
use Ringo\Outreach\Held;

/** Takes a form that came from a client's page: kept as it came, and whoever sent it is rung at the next allowed moment, or held with the reason. */
final readonly class TakeForm
{
    /** Hours within which the same number is the same request. */
    private const DOUBLE_HOURS = 24;

    private const MINUTE = 60;

    public function __construct(private PlanPeople $plan)
    {
    }

    /** @param array<string, string> $fields as they came */
    public function take(Campaign $campaign, array $fields, string $origin): FormEntry
    {
        $entry = $campaign->intake()->read($fields, $campaign->design()->country, $campaign->design()->consent);

        return DB::transaction(function () use ($campaign, $fields, $origin, $entry): FormEntry {
            $kept = FormEntry::query()->create(['campaign_id' => $campaign->id, 'fields' => $fields, 'origin' => mb_substr($origin, 0, 200), 'held' => $entry->held ?? $this->held($campaign, (string) $entry->e164)]);

            return $kept->held === null ? $this->ring($campaign, $kept, $entry) : $kept;
        });
    }

    /**
     * Rings somebody for a form that was held, because a person looked at it.
     *
     * @throws \DomainException where they cannot or must not be rung
     */
    public function after(Campaign $campaign, FormEntry $kept): FormEntry
    {
        if ($kept->held === null || $kept->campaign_person_id !== null) {
            throw new \DomainException('This form is not held any more.');
        }
        $entry = $campaign->intake()->read($kept->fields, $campaign->design()->country, false);
        if ($entry->e164 === null) {
            throw new \DomainException('There is no number to ring.');
        }
        if (! $kept->held->canBeRung() || $campaign->design()->consent && ! $entry->consented) {
            throw new \DomainException('They are not rung: '.($kept->held->canBeRung() ? Held::NoConsent : $kept->held)->words().'.');
        }

        return DB::transaction(fn (): FormEntry => $this->ring($campaign, $kept, $entry));
    }

    private function ring(Campaign $campaign, FormEntry $kept, Entry $entry): FormEntry
    {
        $today = Carbon::now($campaign->business->tz)->format('Y-m-d');
        $person = CampaignPerson::query()->create([
            'campaign_id' => $campaign->id, 'contact_id' => ContactNumber::query()->where('business_id', $campaign->business_id)->where('e164', $entry->e164)->value('contact_id'),
            'name' => $entry->name, 'phone' => mb_substr($entry->phone, 0, 40), 'e164' => $entry->e164, 'row' => ['consent' => $today, 'consent_purpose' => $campaign->design()->purpose], 'facts' => $entry->facts, 'state' => CampaignPerson::WAITING,
        ]);
        // Plans are of whole minutes: the one that runs is soon enough, the next would let them wait for it.
        $this->plan->settle($person, $this->plan->one($campaign, $person, $campaign->now() - $campaign->now() % self::MINUTE));
        $kept->update(['campaign_person_id' => $person->id, 'held' => $person->next_at === null ? Held::Ended : null]);

        return $kept->load('person');
    }

    private function held(Campaign $campaign, string $number): ?Held
    {
        return match (true) {
            $campaign->state !== Campaign::RUNNING => Held::Idle,
            SuppressedNumber::query()->where('business_id', $campaign->business_id)->where('e164', $number)->exists() => Held::Never,
            $campaign->people()->where('e164', $number)->where(static fn ($either) => $either->whereIn('state', [CampaignPerson::WAITING, CampaignPerson::CALLING])->orWhere('created_at', '>', now()->subHours(self::DOUBLE_HOURS)))->exists() => Held::Double,
            default => null,
        };
    }
}
