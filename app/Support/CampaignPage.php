<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Business;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignAttempt;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\FormEntry;

/** What the page of a campaign tells: how far it has come, what came of it, who is next and who is not rung. */
final readonly class CampaignPage
{
    private const NEXT = 8;

    private const LATELY = 10;

    private const TAGS = 40;

    public function __construct(private CampaignComparison $comparison)
    {
    }

    /** @return array<string, mixed> */
    public function of(Campaign $campaign): array
    {
        $states = array_map(intval(...), $campaign->people()->toBase()->selectRaw('state, count(*) as n')->groupBy('state')->pluck('n', 'state')->all());
        $came = array_map(intval(...), $campaign->attempts()->toBase()->selectRaw('came, count(*) as n')->groupBy('came')->pluck('n', 'came')->all());
        $outcomes = array_map(intval(...), $campaign->attempts()->toBase()->where('came', 'reached')->selectRaw('outcome, count(*) as n')->groupBy('outcome')->orderByDesc('n')->pluck('n', 'outcome')->all());
        $achieved = array_sum(array_diff_key($outcomes, array_flip(CampaignComparison::NOTHING)));
        $minutes = (float) Call::query()->whereIn('id', $campaign->attempts()->whereNotNull('call_id')->select('call_id'))->sum('seconds') / 60;
        $cost = $campaign->document['cost'] ?? [];

        return [
            'states' => $states, 'came' => $came, 'outcomes' => $outcomes, 'minutes' => $minutes,
            'funnel' => ['listed' => array_sum($states), 'allowed' => array_sum($states) - $campaign->people()->where('state', CampaignPerson::NOT_RUNG)->where('attempts', 0)->count(), 'rung' => $campaign->people()->where('attempts', '>', 0)->count(), 'reached' => ($states[CampaignPerson::REACHED] ?? 0) + ($states[CampaignPerson::OPTED_OUT] ?? 0), 'achieved' => $achieved],
            'cost' => $minutes * (float) ($cost['minute'] ?? 0) + array_sum($came) * (float) ($cost['attempt'] ?? 0),
            'not' => array_map(intval(...), $campaign->people()->toBase()->where('state', CampaignPerson::NOT_RUNG)->selectRaw('why, count(*) as n')->groupBy('why')->orderByDesc('n')->pluck('n', 'why')->all()),
            'objections' => $this->objections($campaign), 'complaints' => $campaign->people()->whereNotNull('complained')->count(), 'releases' => $this->comparison->releases($campaign), 'others' => Campaign::query()->where('business_id', $campaign->business_id)->whereKeyNot($campaign->id)->whereNotNull('launched_at')->orderByDesc('id')->limit(self::TAGS)->get(['id', 'key', 'name']),
            'hours' => $this->hours($campaign), 'tries' => $this->tries($campaign),
            'next' => $campaign->people()->where('state', CampaignPerson::WAITING)->whereNotNull('next_at')->orderBy('next_at')->orderBy('id')->limit(self::NEXT)->get(),
            'entries' => FormEntry::query()->with('person')->where('campaign_id', $campaign->id)->orderByDesc('id')->limit(self::LATELY)->get(),
            'lately' => CampaignAttempt::query()->with('person', 'call')->where('campaign_id', $campaign->id)->orderByDesc('id')->limit(self::LATELY)->get(),
        ];
    }

    /** @return list<string> tags of callers, for the choice of who is rung */
    public function tags(Business $business): array
    {
        $tags = [];
        foreach (Contact::query()->toBase()->where('business_id', $business->id)->whereNotNull('tags')->selectRaw('distinct cast(tags as text) as tags')->limit(1000)->pluck('tags') as $json) {
            array_push($tags, ...array_filter((array) json_decode((string) $json, true), is_string(...)));
        }
        $tags = array_values(array_unique($tags));
        sort($tags);

        return array_slice($tags, 0, self::TAGS);
    }

    /** @return array<int, array{rung: int, reached: int}> by hour of their own day */
    private function hours(Campaign $campaign): array
    {
        $hours = [];
        foreach ($campaign->attempts()->toBase()->selectRaw('substr(wall, 12, 2) as hour, came, count(*) as n')->groupBy('hour', 'came')->get() as $row) {
            $hour = (int) $row->hour;
            $hours[$hour] ??= ['rung' => 0, 'reached' => 0];
            $hours[$hour]['rung'] += (int) $row->n;
            $hours[$hour]['reached'] += $row->came === 'reached' ? (int) $row->n : 0;
        }
        ksort($hours);

        return $hours;
    }

    /** @return array<string, array{calls: int, times: int, achieved: int, out: int}> what people had against it, and what those calls led to all the same */
    private function objections(Campaign $campaign): array
    {
        $all = [];
        foreach ($campaign->attempts()->toBase()->whereRaw("cast(objections as text) != '[]'")->get(['objections', 'outcome']) as $row) {
            $came = array_count_values(array_filter((array) json_decode((string) $row->objections, true), is_string(...)));
            foreach ($came as $key => $times) {
                $all[$key] ??= ['calls' => 0, 'times' => 0, 'achieved' => 0, 'out' => 0];
                $all[$key]['calls']++;
                $all[$key]['times'] += $times;
                $all[$key]['achieved'] += in_array((string) $row->outcome, CampaignComparison::NOTHING, true) ? 0 : 1;
                $all[$key]['out'] += $row->outcome === 'do not call' ? 1 : 0;
            }
        }
        uasort($all, static fn (array $a, array $b): int => $b['calls'] <=> $a['calls']);

        return $all;
    }

    /** @return array<int, array{rung: int, reached: int}> by attempt */
    private function tries(Campaign $campaign): array
    {
        $tries = [];
        foreach ($campaign->attempts()->toBase()->selectRaw('n as attempt, came, count(*) as n')->groupBy('attempt', 'came')->get() as $row) {
            $tries[(int) $row->attempt] ??= ['rung' => 0, 'reached' => 0];
            $tries[(int) $row->attempt]['rung'] += (int) $row->n;
            $tries[(int) $row->attempt]['reached'] += $row->came === 'reached' ? (int) $row->n : 0;
        }
        ksort($tries);

        return $tries;
    }
}
