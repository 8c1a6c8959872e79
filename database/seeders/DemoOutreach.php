<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Outreach\AddPeople;
use App\Actions\Outreach\Dialler;
use App\Actions\Outreach\PlanPeople;
use App\Actions\Outreach\RunQuickly;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\User;
use App\Support\CampaignForm;
use Carbon\CarbonImmutable;
use Illuminate\Support\Carbon;
use Ringo\Diary\Week;

/** The demonstration's campaigns: collection-day reminders, one run to its end, one in the middle of its second week. */
final readonly class DemoOutreach
{
    private const AGENT = 'tobin';

    /** A demonstration is made in seconds; a campaign of this size needs two. */
    private const AT_MOST = 30.0;

    private const DAYS_SINCE = 5;

    private const DAYS_LEFT = 20;

    private const USUAL = ['purpose' => 'collection reminders', 'lines' => 2, 'most' => 3, 'after' => ['busy' => ['n' => 20, 'unit' => 'M'], 'no_answer' => ['n' => 4, 'unit' => 'H'], 'voicemail' => ['n' => 1, 'unit' => 'D'], 'hung_up' => ['n' => 2, 'unit' => 'D'], 'failed' => ['n' => 1, 'unit' => 'H']], 'consent' => '1', 'complaint_days' => 90, 'per_day' => 2, 'per_week' => 4, 'minute' => 0.03, 'attempt' => 0.01, 'rates' => ['reached' => 40, 'busy' => 10, 'no_answer' => 35, 'voicemail' => 12]];

    public function __construct(private AddPeople $people, private PlanPeople $plan, private RunQuickly $run, private Dialler $dialler, private CampaignForm $form)
    {
    }

    public function campaigns(Business $business, User $user): void
    {
        if ($business->key !== 'quillmoor') {
            return;
        }
        $now = CarbonImmutable::now($business->tz);
        $monday = $now->startOfWeek();
        $workdays = array_slice(Week::DAYS, 0, 5);
        $over = $this->launched($business, $user, ['Collection days, the month before', 'collection-days-before'], $monday->subWeeks(4), $monday->subWeeks(3)->addDays(4), ['windows' => array_fill_keys($workdays, '09:00-12:30, 13:30-19:00')] + self::USUAL, '7');
        $this->run->run($over, self::AT_MOST);
        // Nobody is rung on the weekday the demonstration is made: it begins quietly, and goes on by itself on the next.
        $today = Week::DAYS[$now->dayOfWeekIso - 1];
        $runs = $this->launched($business, $user, ['Collection days, this month', 'collection-days'], $now->startOfDay()->subDays(self::DAYS_SINCE), $now->startOfDay()->addDays(self::DAYS_LEFT), ['windows' => array_fill_keys(array_values(array_diff($workdays, [$today])), '10:00-10:45'), 'lines' => 1, 'after' => ['no_answer' => ['n' => 2, 'unit' => 'D'], 'voicemail' => ['n' => 3, 'unit' => 'D']] + self::USUAL['after']] + self::USUAL, '11');
        $until = $now->startOfDay()->getTimestamp();
        while (($next = $this->dialler->next($runs->refresh())) !== null && $next < $until) {
            $runs->update(['clock_at' => Carbon::createFromTimestamp(max($next, $runs->now()), 'UTC')]);
            $this->dialler->tick($runs);
        }
        $runs->update(['clock' => 'real', 'clock_at' => null, 'held' => []]);
    }

    /**
     * @param array{string, string} $named name and key
     * @param array<string, mixed> $form as the page of a campaign gives it
     */
    private function launched(Business $business, User $user, array $named, CarbonImmutable $from, CarbonImmutable $to, array $form, string $seed): Campaign
    {
        $agent = Agent::query()->with('latestRelease')->where('business_id', $business->id)->where('key', self::AGENT)->firstOrFail();
        $document = $this->form->document($business, ['start' => $from->format('Y-m-d'), 'end' => $to->format('Y-m-d')] + $form);
        $campaign = Campaign::query()->create(['business_id' => $business->id, 'agent_id' => $agent->id, 'release_id' => $agent->latestRelease?->id, 'launched_by' => $user->id, 'launched_at' => $from->utc(), 'name' => $named[0], 'key' => $named[1], 'document' => $document, 'lines' => $form['lines'], 'a_minute' => 4, 'stops' => ['opt_outs' => 15.0, 'fails' => 5], 'state' => Campaign::MADE, 'clock' => 'quick', 'clock_at' => Carbon::createFromTimestamp($from->getTimestamp(), 'UTC'), 'seed' => $seed, 'held' => []]);
        $this->people->csv($campaign, database_path('demo/quillmoor/collection-list.csv'));
        $this->plan->all($campaign->refresh());
        $campaign->update(['state' => Campaign::RUNNING]);

        return $campaign->refresh();
    }
}
