<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Design\CreateAgent;
use App\Actions\Outreach\AddPeople;
use App\Actions\Outreach\Dialler;
use App\Actions\Outreach\PlanPeople;
use App\Actions\Outreach\RunQuickly;
use App\Actions\Outreach\TakeForm;
use App\Actions\Surveys\GroupAnswers;
use App\Actions\Surveys\KeepSurvey;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Campaign;
use App\Models\Release;
use App\Models\User;
use App\Support\CampaignForm;
use App\Support\Starters;
use Carbon\CarbonImmutable;
use Illuminate\Support\Carbon;
use Ringo\Design\ScriptDocument;
use Ringo\Diary\Week;

/** The demonstration's campaigns: collection-day reminders, one run to its end, one in the middle, a survey that was asked; and whoever fills in a form is rung. */
final readonly class DemoOutreach
{
    private const AGENT = 'tobin';

    /** A demonstration is made in seconds; a campaign of this size needs two. */
    private const AT_MOST = 30.0;

    private const DAYS_SINCE = 5;

    private const DAYS_LEFT = 20;

    private const USUAL = [
        'purpose' => 'collection reminders', 'lines' => 2, 'most' => 3, 'consent' => '1', 'complaint_days' => 90,
        'after' => [
            'busy' => ['n' => 20, 'unit' => 'M'], 'no_answer' => ['n' => 4, 'unit' => 'H'], 'voicemail' => ['n' => 1, 'unit' => 'D'],
            'hung_up' => ['n' => 2, 'unit' => 'D'], 'failed' => ['n' => 1, 'unit' => 'H'],
        ],
        'per_day' => 2, 'per_week' => 4, 'minute' => 0.03, 'attempt' => 0.01,
        'rates' => ['reached' => 40, 'busy' => 10, 'no_answer' => 35, 'voicemail' => 12],
    ];

    /** What stands in the starter's blanks. */
    private const BLANKS = ['{your business}' => 'Pellbrook Hire', '{what the form was about}' => 'hiring a machine', '{who rings them}' => 'the nearest depot'];

    /** What came from the page: two people, one of them twice, and a machine. */
    private const FORMS = [
        ['name' => 'Wystan Carrow', 'phone' => '07700 900711', 'wish' => 'a mini digger for a garden wall, two days', 'consent' => 'yes'],
        ['name' => 'Imke Ashdown', 'phone' => '07700 900712', 'wish' => 'scaffolding towers for a barn', 'consent' => 'yes'],
        ['name' => 'Imke Ashdown', 'phone' => '07700 900712', 'wish' => 'scaffolding towers', 'consent' => 'yes'],
        ['name' => 'Best Offers', 'phone' => '07700 900713', 'wish' => 'more visitors for your page', 'website' => 'https://offers.example', 'consent' => 'yes'],
    ];

    public function __construct(private AddPeople $people, private PlanPeople $plan, private RunQuickly $run, private Dialler $dialler, private CampaignForm $form, private TakeForm $take, private CreateAgent $agents, private Starters $starters, private KeepSurvey $surveys, private GroupAnswers $groups)
    {
    }

    public function campaigns(Business $business, User $user): void
    {
        match ($business->key) {
            'quillmoor' => $this->quillmoor($business, $user),
            'pellbrook' => $this->forms($business, $user),
            default => null,
        };
    }

    /** Whoever fills in the form on the client's page is rung; two did before, and one was no person. */
    private function forms(Business $business, User $user): void
    {
        $agent = $this->agents->from($business, $this->agents->fitted(ScriptDocument::fromJson(strtr($this->starters->document('web_form')->toJson(), self::BLANKS)), $business, 'Corin'), $user, 'from the starter web_form');
        $agent = Agent::query()->with('draft')->findOrFail($agent->id);
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'number' => 1, 'note' => 'First release: rings whoever fills in the form']);
        $today = CarbonImmutable::now($business->tz)->startOfDay();
        $campaign = $this->launched($business, $user, ['Requests from the web page', 'web-requests'], $today->subWeek(), $today->addMonths(3), ['purpose' => 'their request', 'windows' => array_fill_keys($this->notToday($business), '08:00-18:00')] + self::USUAL, '5', 'corin', null);
        $campaign->update(['clock' => 'real', 'clock_at' => null, 'intake' => ['map' => ['wish' => 'fact:wish', 'website' => 'trap']], 'intake_token' => substr(hash('sha256', "form {$business->key}"), 0, 24)]);
        foreach (self::FORMS as $fields) {
            $this->take->take($campaign->refresh(), $fields, 'https://www.pellbrook.example');
        }
    }

    private function quillmoor(Business $business, User $user): void
    {
        $this->reminders($business, $user);
        $this->satisfaction($business, $user);
    }

    /** Last month's survey: whoever had linen collected is asked how it was. */
    private function satisfaction(Business $business, User $user): void
    {
        $document = json_decode((string) file_get_contents(database_path('demo/quillmoor/survey.json')), true, 16, JSON_THROW_ON_ERROR);
        $survey = $this->surveys->make($business, $document, 'Odile', $user);
        $agent = Agent::query()->with('draft')->findOrFail($survey->agent_id);
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'number' => 1, 'note' => 'First release: asks how the linen was']);
        $monday = CarbonImmutable::now($business->tz)->startOfWeek();
        $campaign = $this->launched($business, $user, ['How was your linen?', 'satisfaction'], $monday->subWeeks(2), $monday->subWeeks(2)->addDays(4), ['purpose' => 'customer surveys', 'windows' => array_fill_keys(array_slice(Week::DAYS, 0, 5), '10:00-12:30, 13:30-18:30'), 'lines' => 3] + self::USUAL, '3', 'odile', 'survey-list.csv');
        $this->run->run($campaign, self::AT_MOST);
        $this->groups->name($survey, 'better', 'Says when it comes', ['a text before the driver comes', 'tell us the hour you come']);
    }

    private function reminders(Business $business, User $user): void
    {
        $now = CarbonImmutable::now($business->tz);
        $monday = $now->startOfWeek();
        $workdays = array_slice(Week::DAYS, 0, 5);
        $over = $this->launched($business, $user, ['Collection days, the month before', 'collection-days-before'], $monday->subWeeks(4), $monday->subWeeks(3)->addDays(4), ['windows' => array_fill_keys($workdays, '09:00-12:30, 13:30-19:00')] + self::USUAL, '7');
        $this->run->run($over, self::AT_MOST);
        $slowly = ['windows' => array_fill_keys($this->notToday($business), '10:00-10:45'), 'lines' => 1, 'after' => ['no_answer' => ['n' => 2, 'unit' => 'D'], 'voicemail' => ['n' => 3, 'unit' => 'D']] + self::USUAL['after']] + self::USUAL;
        $runs = $this->launched($business, $user, ['Collection days, this month', 'collection-days'], $now->startOfDay()->subDays(self::DAYS_SINCE), $now->startOfDay()->addDays(self::DAYS_LEFT), $slowly, '11');
        $until = $now->startOfDay()->getTimestamp();
        while (($next = $this->dialler->next($runs->refresh())) !== null && $next < $until) {
            $runs->update(['clock_at' => Carbon::createFromTimestamp(max($next, $runs->now()), 'UTC')]);
            $this->dialler->tick($runs);
        }
        $runs->update(['clock' => 'real', 'clock_at' => null, 'held' => []]);
    }

    /** @return list<string> workdays but the one on which the demonstration is made: it begins quietly, and goes on by itself on the next */
    private function notToday(Business $business): array
    {
        return array_values(array_diff(array_slice(Week::DAYS, 0, 5), [Week::DAYS[CarbonImmutable::now($business->tz)->dayOfWeekIso - 1]]));
    }

    /**
     * @param array{string, string} $named name and key
     * @param array<string, mixed> $form as the page of a campaign gives it
     */
    private function launched(Business $business, User $user, array $named, CarbonImmutable $from, CarbonImmutable $to, array $form, string $seed, string $caller = self::AGENT, ?string $list = 'collection-list.csv'): Campaign
    {
        $agent = Agent::query()->with('latestRelease')->where('business_id', $business->id)->where('key', $caller)->firstOrFail();
        $document = $this->form->document($business, ['start' => $from->format('Y-m-d'), 'end' => $to->format('Y-m-d')] + $form);
        $campaign = Campaign::query()->create([
            'business_id' => $business->id, 'agent_id' => $agent->id, 'release_id' => $agent->latestRelease?->id, 'launched_by' => $user->id, 'launched_at' => $from->utc(),
            'name' => $named[0], 'key' => $named[1], 'document' => $document, 'lines' => $form['lines'], 'a_minute' => 4, 'stops' => ['opt_outs' => 15.0, 'fails' => 5],
            'state' => Campaign::MADE, 'clock' => 'quick', 'clock_at' => Carbon::createFromTimestamp($from->getTimestamp(), 'UTC'), 'seed' => $seed, 'held' => [],
        ]);
        if ($list !== null) {
            $this->people->csv($campaign, database_path("demo/quillmoor/{$list}"));
        }
        $this->plan->all($campaign->refresh());
        $campaign->update(['state' => Campaign::RUNNING]);

        return $campaign->refresh();
    }
}
