<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Actions\Calls\KeepFinishedCall;
use App\Models\Campaign;
use App\Models\CampaignAttempt;
use App\Models\CampaignPerson;
use App\Models\Person;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Ending;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Outreach\SimulatedCampaign;

/**
 * Rings who is due: no more at once than lines, no more a minute than said, each claimed before it is rung and counted once.
 *
 * A claim that was left by somebody who died is taken up again as the same attempt: the stand-in public comes out the same, and the number
 * of the attempt is unique, so that no call is lost and none is placed twice.
 */
final readonly class Dialler
{
    /** Opt-outs are judged from so many reached on. */
    private const ENOUGH = 20;

    private const MINUTE = 60;

    private const DAY = 86_400;

    /** The tag by which a script marks a call in which somebody complained. */
    public const COMPLAINT = 'complaint';

    public function __construct(private PlanPeople $plan, private TalkToPublic $public, private KeepFinishedCall $keep, private NeverRing $never)
    {
    }

    /** Campaigns that run by the real clock: whoever is due now. */
    public function due(): void
    {
        foreach (Campaign::query()->with('agent', 'business', 'release', 'otherRelease')->where('state', Campaign::RUNNING)->where('clock', 'real')->orderBy('id')->get() as $campaign) {
            try {
                if ($campaign instanceof Campaign) {
                    $this->tick($campaign);
                }
            } catch (\Throwable $problem) {
                // What is wrong with one campaign holds up no other.
                report($problem);
            }
        }
    }

    /**
     * One look: rings who is due at the campaign's moment.
     *
     * @return int calls placed
     */
    public function tick(Campaign $campaign): int
    {
        if ($campaign->refresh()->loadMissing('otherRelease')->state !== Campaign::RUNNING) {
            return 0;
        }
        $now = $campaign->now();
        $held = array_values(array_filter($campaign->held, static fn (int $until): bool => $until > $now));
        $begun = CampaignAttempt::query()->where('campaign_id', $campaign->id)->where('at', '>', $now - self::MINUTE)->count();
        $free = min($this->lines($campaign) - count($held), $campaign->a_minute - $begun);
        $placed = 0;
        if ($free > 0) {
            $due = $campaign->people()->with('contact')->where(static fn ($either) => $either->where(static fn ($waits) => $waits->where('state', CampaignPerson::WAITING)->where('next_at', '<=', $now))->orWhere('state', CampaignPerson::CALLING))->orderByRaw("state = 'calling' desc")->orderByDesc('priority')->orderBy('next_at')->orderBy('id')->limit($free)->get();
            foreach ($due as $person) {
                if (! $person instanceof CampaignPerson) {
                    continue;
                }
                $until = $this->ring($campaign, $person, $now);
                if ($until !== null) {
                    $held[] = $until;
                    $placed++;
                }
                // Somebody may have paused it meanwhile.
                if (Campaign::query()->whereKey($campaign->id)->value('state') !== Campaign::RUNNING) {
                    break;
                }
            }
        }
        Campaign::query()->whereKey($campaign->id)->update(['held' => json_encode($held, JSON_THROW_ON_ERROR)]);
        $this->over($campaign->refresh());

        return $placed;
    }

    /** Calls at once: as many as lines, and by the real clock no more than people are there to whom they are put through. */
    private function lines(Campaign $campaign): int
    {
        if ($campaign->desk_team === null || $campaign->clock !== 'real') {
            return $campaign->lines;
        }
        $there = Person::query()->where('business_id', $campaign->business_id)->where('presence', 'available')->whereHas('teams', static fn ($teams) => $teams->where('teams.key', $campaign->desk_team))->count();

        return min($campaign->lines, $there);
    }

    /** When something can happen next: somebody is due, or a line is free. */
    public function next(Campaign $campaign): ?int
    {
        $now = $campaign->now();
        // A claim that was left is due since it was made.
        $due = $campaign->people()->whereIn('state', [CampaignPerson::WAITING, CampaignPerson::CALLING])->min('next_at');
        if (! is_numeric($due)) {
            return null;
        }
        if ((int) $due > $now) {
            return (int) $due;
        }
        $held = array_filter($campaign->held, static fn (int $until): bool => $until > $now);

        return count($held) >= $campaign->lines && $held !== [] ? min($held) : $now + self::MINUTE - $now % self::MINUTE;
    }

    /** @return ?int when the line is free again; null where nobody was rung */
    private function ring(Campaign $campaign, CampaignPerson $person, int $now): ?int
    {
        if ($person->state === CampaignPerson::WAITING) {
            // What changed since it was planned counts: an opt-out in another call, a window that closed.
            $planned = $this->plan->one($campaign, $person, $now);
            if ($planned->next === null || $planned->next > $now + self::MINUTE) {
                $this->plan->settle($person, $planned);

                return null;
            }
            $claimed = CampaignPerson::query()->whereKey($person->id)->where('state', CampaignPerson::WAITING)->where('attempts', $person->attempts)->update(['state' => CampaignPerson::CALLING, 'attempts' => $person->attempts + 1, 'updated_at' => now()]);
            if ($claimed === 0) {
                return null;
            }
            $person->refresh();
        }
        $wall = $this->plan->wall($campaign, $person, $now);
        $talk = $this->public->ring($campaign, $person, $now, (int) substr($wall, 11, 2));
        $came = $talk['call'] === null ? $talk['came'] : SimulatedCampaign::came($talk['call'], $talk['came']);
        DB::transaction(function () use ($campaign, $person, $now, $wall, $talk, $came): void {
            // Counted only by whoever finds the claim as it was.
            if (CampaignPerson::query()->whereKey($person->id)->where('state', CampaignPerson::CALLING)->where('attempts', $person->attempts)->update(['state' => CampaignPerson::WAITING, 'updated_at' => now()]) === 0) {
                return;
            }
            $release = $campaign->releaseFor($person);
            $call = $talk['call'] === null || $release === null ? null : $this->keep->live($campaign->agent, $release, $talk['call'], $person->contact);
            if ($call !== null && $person->contact === null && $person->name !== '') {
                $call->update(['caller_name' => $person->name]);
            }
            CampaignAttempt::query()->create(['campaign_id' => $campaign->id, 'campaign_person_id' => $person->id, 'call_id' => $call?->id, 'n' => $person->attempts, 'e164' => (string) $person->e164, 'at' => $now, 'wall' => $wall, 'came' => $came, 'outcome' => (string) $talk['call']?->state->outcome, 'seconds' => $talk['seconds'], 'objections' => $talk['call']->state->objections ?? [], 'release_id' => $release?->id]);
            $this->after($campaign, $person->refresh(), $talk['call'], $came, $now);
        });

        return $now + (int) ceil($talk['seconds']);
    }

    /** What came of an attempt: nobody stays without a state. */
    private function after(Campaign $campaign, CampaignPerson $person, ?FinishedCall $call, string $came, int $now): void
    {
        $outcome = (string) $call?->state->outcome;
        if ($call !== null && in_array(self::COMPLAINT, $call->state->tags, true)) {
            $person->update(['complained' => substr($this->plan->wall($campaign, $person, $now), 0, 10)]);
        }
        if ($call !== null && ($call->state->doNotCall || $outcome === 'do not call')) {
            $this->optedOut($campaign, $person, $outcome);

            return;
        }
        if ($came === 'reached') {
            $person->update(['state' => CampaignPerson::REACHED, 'next_at' => null, 'why' => '', 'outcome' => $outcome]);

            return;
        }
        $asked = $call === null ? null : $this->askedFor($campaign, $call, $this->plan->wall($campaign, $person, $now));
        if ($asked !== null) {
            $person->update(['row' => ['asked_for' => $asked] + $person->row]);
        }
        $person->update(['outcome' => $outcome === '' ? str_replace('_', ' ', $came) : $outcome]);
        $this->plan->settle($person, $this->plan->one($campaign, $person, $now + self::MINUTE));
    }

    /** Wants no more calls: at once for everything, also for what is queued in other campaigns. */
    private function optedOut(Campaign $campaign, CampaignPerson $person, string $outcome): void
    {
        $this->never->number($campaign->business_id, (string) $person->e164, "asked for it in {$campaign->name}", $person->contact_id);
        $person->update(['state' => CampaignPerson::OPTED_OUT, 'next_at' => null, 'why' => 'do_not_call', 'outcome' => $outcome]);
    }

    /** 'Ring me after six': the moment said in the call, on their own clock, where the script keeps one. */
    private function askedFor(Campaign $campaign, FinishedCall $call, string $wall): ?string
    {
        if (($call->state->ringAgain ?? '') !== '') {
            return $call->state->ringAgain;
        }
        if ($call->state->outcome === Ending::LATER && ! isset($campaign->design()->pauses['later'])) {
            // Campaigns set up before there was a pause for it: not again on the same day.
            return gmdate('Y-m-d\TH:i', (int) strtotime(substr($wall, 0, 16).' UTC') + self::DAY);
        }
        foreach ($call->state->values as $held) {
            if (is_string($held->value) && preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d$/', $held->value) === 1 && $held->value > substr($call->state->startedAt, 0, 16)) {
                return $held->value;
            }
        }

        return null;
    }

    /** Stops by its rules, or because nobody is left. */
    private function over(Campaign $campaign): void
    {
        if ($campaign->state !== Campaign::RUNNING) {
            return;
        }
        $people = $campaign->people()->selectRaw('state, count(*) as n')->groupBy('state')->pluck('n', 'state');
        [$reached, $out] = [(int) ($people[CampaignPerson::REACHED] ?? 0), (int) ($people[CampaignPerson::OPTED_OUT] ?? 0)];
        $stops = $campaign->stops;
        $failed = isset($stops['fails']) ? CampaignAttempt::query()->where('campaign_id', $campaign->id)->whereNotNull('call_id')->orderByDesc('id')->limit($stops['fails'])->pluck('outcome')->all() : [];
        $why = match (true) {
            isset($stops['reached']) && $reached >= $stops['reached'] => [Campaign::DONE, "{$stops['reached']} were reached, as many as were wanted"],
            isset($stops['opt_outs']) && $reached + $out >= self::ENOUGH && 100 * $out / ($reached + $out) > $stops['opt_outs'] => [Campaign::PAUSED, "more than {$stops['opt_outs']} % want no more calls"],
            isset($stops['fails']) && count($failed) === $stops['fails'] && array_diff($failed, [Ending::CIRCLE, Ending::TURN_LIMIT, Ending::STEP_LIMIT, Ending::TIME_LIMIT, Ending::NO_REPLY]) === [] => [Campaign::PAUSED, "the agent failed in {$stops['fails']} calls in a row"],
            ($people[CampaignPerson::WAITING] ?? 0) + ($people[CampaignPerson::CALLING] ?? 0) === 0 && ! $campaign->takesForms() => [Campaign::DONE, 'nobody is left to ring'],
            default => null,
        };
        if ($why !== null) {
            Campaign::query()->whereKey($campaign->id)->where('state', Campaign::RUNNING)->update(['state' => $why[0], 'why' => $why[1], 'updated_at' => Carbon::now()]);
        }
    }
}
