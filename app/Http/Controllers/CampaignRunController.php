<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Outreach\PlanPeople;
use App\Actions\Outreach\RingTestPerson;
use App\Jobs\RunCampaign;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;

/** A campaign's running: tried on oneself, launched, paused, gone on with, stopped. */
final class CampaignRunController
{
    public function __construct(private readonly PlanPeople $plan)
    {
    }

    /** The one deliberate act: on a release, by the real clock or on one of its own. */
    public function launch(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        $given = $request->validate(['clock' => ['required', 'in:real,quick'], 'sure' => ['required', 'accepted'], 'other' => ['nullable', 'integer']], ['sure.*' => 'Tick that people are to be rung.']);
        $release = $campaign->agent->latestRelease ?? throw ValidationException::withMessages(['campaign' => "{$campaign->agent->name} has no release: a campaign never rings with a draft."]);
        if ($campaign->state !== Campaign::MADE) {
            throw ValidationException::withMessages(['campaign' => 'The campaign was launched already.']);
        }
        $other = ($given['other'] ?? null) === null ? null : $campaign->agent->releases()->whereKeyNot($release->id)->where('number', (int) $given['other'])->first() ?? throw ValidationException::withMessages(['other' => 'There is no such other release.']);
        $start = Carbon::parse((string) $campaign->document['start'], $business->tz);
        $campaign->update(['clock' => $given['clock'], 'clock_at' => $given['clock'] === 'quick' ? $start->copy()->utc() : null]);
        $this->plan->all($campaign->refresh());
        if ($campaign->people()->where('state', CampaignPerson::WAITING)->doesntExist() && ! ($given['clock'] === 'real' && $campaign->takesForms())) {
            throw ValidationException::withMessages(['campaign' => 'There is nobody who may be rung. The reasons stand beside the list.']);
        }
        $campaign->update(['state' => Campaign::RUNNING, 'why' => '', 'release_id' => $release->id, 'other_release_id' => $other?->id, 'launched_by' => $this->me($request)->id, 'launched_at' => now()]);
        AuditEntry::note($business->id, $this->me($request), 'campaign launched', "{$campaign->name}, release {$release->number}".($given['clock'] === 'quick' ? ', on a clock of its own' : ''));
        $this->begin($campaign);

        return redirect()->route('campaign', [$business, $campaign])->with('notice', "{$campaign->name} runs.");
    }

    /** Before the launch: whoever launches is rung on the handset as the first of the list would be. */
    public function test(Request $request, Business $business, Campaign $campaign, RingTestPerson $ring): RedirectResponse
    {
        $release = $campaign->agent->latestRelease ?? throw ValidationException::withMessages(['campaign' => "{$campaign->agent->name} has no release: a campaign never rings with a draft."]);
        $first = $campaign->people()->where('state', CampaignPerson::WAITING)->whereNotNull('next_at')->orderBy('next_at')->orderBy('id')->first();
        $call = $ring->ring($campaign, $release, $first instanceof CampaignPerson ? $first : null, $this->me($request));

        return redirect()->route('campaign', [$business, $campaign])->with('placed', $call->ref)->with('notice', 'Your handset rings.');
    }

    public function state(Request $request, Business $business, Campaign $campaign): RedirectResponse
    {
        $given = $request->validate(['to' => ['required', 'in:pause,resume,stop']]);
        [$from, $to, $words] = match ($given['to']) {
            'pause' => [[Campaign::RUNNING], Campaign::PAUSED, 'paused'], 'resume' => [[Campaign::PAUSED], Campaign::RUNNING, 'goes on'], default => [[Campaign::RUNNING, Campaign::PAUSED], Campaign::STOPPED, 'stopped'],
        };
        if (Campaign::query()->whereKey($campaign->id)->whereIn('state', $from)->update(['state' => $to, 'why' => $to === Campaign::RUNNING ? '' : "{$words} by {$this->me($request)->name}", 'updated_at' => now()]) === 0) {
            throw ValidationException::withMessages(['campaign' => 'The campaign stands otherwise by now. The page shows how.']);
        }
        AuditEntry::note($business->id, $this->me($request), 'campaign', "{$campaign->name} {$words}");
        if ($to === Campaign::RUNNING) {
            $this->begin($campaign->refresh());
        }

        return redirect()->route('campaign', [$business, $campaign])->with('notice', "{$campaign->name} {$words}.");
    }

    private function begin(Campaign $campaign): void
    {
        if ($campaign->clock === 'quick') {
            RunCampaign::dispatch($campaign->id);
        }
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
