<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\Outreach\AddPeople;
use App\Actions\Outreach\PlanPeople;
use App\Actions\Outreach\TakeForm;
use App\Api\Page;
use App\Api\Problem;
use App\Api\Shapes;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Ringo\Outreach\Intake;

/** People to be rung, web forms, and what is booked, for other systems. */
final readonly class OutreachController
{
    public function __construct(private AddPeople $add, private PlanPeople $plan, private TakeForm $take)
    {
    }

    /** Somebody is put on a campaign's list, and rung at the next allowed moment while it runs. */
    public function ring(Request $request): JsonResponse
    {
        $given = $request->validate(['campaign' => ['required', 'string', 'max:40'], 'phone' => ['required', 'string', 'max:40'], 'name' => ['nullable', 'string', 'max:200'], 'tz' => ['nullable', 'timezone:all'], 'consent' => ['nullable', 'date_format:Y-m-d'], 'asked_for' => ['nullable', 'date_format:Y-m-d\TH:i'], 'facts' => ['nullable', 'array', 'max:40'], 'facts.*' => ['nullable', 'string', 'max:500']], ['consent.*' => 'The day on which they consented to the campaign’s purpose, such as 2026-03-01.', 'phone.*' => 'A telephone number.', 'campaign.*' => 'The key of a campaign.']);
        $campaign = $this->campaign($request, $given['campaign']);
        if (in_array($campaign->state, [Campaign::DONE, Campaign::STOPPED], true)) {
            throw new Problem(409, "{$campaign->name} is over: nobody is rung for it any more.");
        }
        try {
            $person = $this->add->one($campaign, $given);
        } catch (\DomainException $problem) {
            throw new Problem(422, 'See “errors”.', [['pointer' => '/phone', 'detail' => $problem->getMessage()]]);
        }
        $this->plan->settle($person, $this->plan->one($campaign, $person, $campaign->now()));

        return response()->json(Shapes::person($person->refresh()->setRelation('campaign', $campaign)), 202, ['Location' => "/api/v1/outreach/people/{$person->id}"]);
    }

    public function person(Request $request, string $id): JsonResponse
    {
        $person = CampaignPerson::query()->with('campaign')->whereKey(ctype_digit($id) ? (int) $id : 0)->firstOrFail();
        if ($person->campaign->business_id !== $this->business($request)->id) {
            throw new Problem(404, 'Nobody of that number is on a list of this business.');
        }

        return response()->json(Shapes::person($person));
    }

    /** A form as a client's own server hands it in; it is read and held as one that came from the page. */
    public function form(Request $request, string $campaign): JsonResponse
    {
        $found = $this->campaign($request, $campaign);
        if ($found->intake === null) {
            throw new Problem(409, "{$found->name} takes no forms. Let it take them on its page first.");
        }
        $fields = [];
        foreach (array_slice($request->json()->all(), 0, Intake::MOST_FIELDS, true) as $name => $value) {
            if (is_scalar($value)) {
                $fields[mb_substr((string) $name, 0, 60)] = mb_substr(is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value, 0, Intake::LONGEST);
            }
        }
        if ($fields === []) {
            throw new Problem(422, 'The form is empty: send an object of its fields.');
        }
        $entry = $this->take->take($found, $fields, 'interface');

        return response()->json(['held' => $entry->held?->value, 'why' => $entry->held?->words(), 'person' => $entry->person === null ? null : Shapes::person($entry->person->setRelation('campaign', $found))], $entry->held === null ? 202 : 200);
    }

    public function bookings(Request $request): JsonResponse
    {
        $given = $request->validate(['from' => ['nullable', 'date_format:Y-m-d'], 'to' => ['nullable', 'date_format:Y-m-d'], 'state' => ['nullable', 'in:held,booked,cancelled']]);
        $business = $this->business($request);
        $moment = static fn (string $day, string $more = ''): int => (new \DateTimeImmutable("{$day} 00:00{$more}", new \DateTimeZone($business->tz)))->getTimestamp();
        $query = Booking::query()->with('diary', 'call')->where('business_id', $business->id)->where('rehearsal', false)->where('state', $given['state'] ?? 'booked');
        if (($given['from'] ?? null) !== null) {
            $query->where('starts_at', '>=', $moment($given['from']));
        }
        if (($given['to'] ?? null) !== null) {
            $query->where('starts_at', '<', $moment($given['to'], ' +1 day'));
        }

        return response()->json(Page::of($request, $query, static fn (Booking $booking): array => Shapes::booking($booking, $business->tz)));
    }

    private function campaign(Request $request, string $key): Campaign
    {
        return Campaign::query()->with('business')->where('business_id', $this->business($request)->id)->where('key', $key)->first() ?? throw new Problem(404, 'There is no campaign “'.mb_substr($key, 0, 40).'”.');
    }

    private function business(Request $request): Business
    {
        /** @var Business $business */
        $business = $request->attributes->get('business');

        return $business;
    }
}
