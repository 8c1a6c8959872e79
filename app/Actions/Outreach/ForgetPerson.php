<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CampaignAttempt;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\FormEntry;
use App\Models\SpokenAnswer;
use App\Models\Survey;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Storage;

/** Takes out of campaigns and surveys what tells who somebody was and what they said; that they were rung, and what came of it, stays. */
final readonly class ForgetPerson
{
    /** @param Collection<int, Call> $calls of theirs, with their records as they still are */
    public function of(Contact $contact, Collection $calls): void
    {
        $people = CampaignPerson::query()->where('contact_id', $contact->id)->pluck('id')->all();
        FormEntry::query()->whereIn('campaign_person_id', $people)->update(['fields' => json_encode([]), 'origin' => '']);
        CampaignAttempt::query()->whereIn('campaign_person_id', $people)->update(['e164' => '']);
        CampaignPerson::query()->whereIn('id', $people)->whereIn('state', [CampaignPerson::WAITING, CampaignPerson::CALLING])->update(['state' => CampaignPerson::NOT_RUNG, 'why' => 'do_not_call', 'next_at' => null]);
        CampaignPerson::query()->whereIn('id', $people)->update(['name' => 'Erased', 'phone' => '', 'e164' => null, 'contact_id' => null, 'row' => json_encode([]), 'facts' => json_encode([])]);
        $this->said($contact, $calls);
        $this->sounds(array_values($calls->modelKeys()));
    }

    /** @param list<int|string> $calls */
    public function sounds(array $calls, ?string $field = null): void
    {
        $kept = SpokenAnswer::query()->whereIn('call_id', $calls);
        if ($field !== null) {
            $kept->where('field', $field);
        }
        Storage::disk('local')->delete((clone $kept)->pluck('path')->all());
        $kept->delete();
    }

    /**
     * Groups of spoken answers are known by what was said in them.
     *
     * @param Collection<int, Call> $calls
     */
    private function said(Contact $contact, Collection $calls): void
    {
        $words = [];
        foreach (CallRecord::query()->whereIn('call_id', $calls->modelKeys())->get() as $record) {
            array_push($words, ...array_filter(array_column($record->cells, 'value'), is_string(...)));
        }
        foreach ($words === [] ? [] : Survey::withTrashed()->where('business_id', $contact->business_id)->get() as $survey) {
            $survey->update(['names' => array_map(static fn (array $groups): array => array_values(array_filter(array_map(static fn (array $group): array => ['name' => $group['name'], 'like' => array_values(array_diff($group['like'], $words))], $groups), static fn (array $group): bool => $group['like'] !== [])), $survey->names)]);
        }
    }
}
