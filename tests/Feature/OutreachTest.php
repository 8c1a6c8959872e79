<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Design\CreateAgent;
use App\Actions\Outreach\Dialler;
use App\Actions\Outreach\PlanPeople;
use App\Actions\Outreach\RunQuickly;
use App\Jobs\RunCampaign;
use App\Models\Agent;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignAttempt;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\Person;
use App\Models\Release;
use App\Models\Role;
use App\Models\SuppressedNumber;
use App\Models\User;
use App\Support\CampaignComparison;
use App\Support\CampaignPage;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Queue;
use Ringo\Design\ScriptDocument;

/** Campaigns: who is rung and when, launched once, run on a clock, never twice, never against anybody's will. */
final class OutreachTest extends FeatureTestCase
{
    private User $me;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-01 12:00:00');
        $this->me = $this->user()->refresh();
        $this->actingAs($this->me);
        $document = ScriptDocument::fromJson((string) file_get_contents(database_path('demo/quillmoor/tobin.json')));
        $agent = app(CreateAgent::class)->from($this->business, $document, $this->me, 'from a file');
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => Agent::query()->with('draft')->findOrFail($agent->id)->draft->script_text_id, 'number' => 1, 'note' => '']);
    }

    public function testACampaignIsSetUpPlannedLaunchedAndRunToItsEnd(): void
    {
        $campaign = $this->campaign();
        $this->get('/pellbrook/outreach/reminders')->assertOk()->assertSee('What it will come to')->assertSee('Launch it');
        self::assertSame(40, $campaign->people()->where('state', CampaignPerson::WAITING)->count());
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick'])->assertSessionHasErrors('sure');
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1'])->assertSessionHasNoErrors();
        $campaign->refresh();
        self::assertSame(Campaign::DONE, $campaign->state);
        // Everybody ends in exactly one state, and nobody was rung more often than allowed.
        self::assertSame(40, $campaign->people()->whereIn('state', [CampaignPerson::REACHED, CampaignPerson::OPTED_OUT, CampaignPerson::NOT_RUNG])->count());
        self::assertLessThanOrEqual(3, (int) $campaign->people()->max('attempts'));
        self::assertGreaterThan(15, $campaign->people()->where('state', CampaignPerson::REACHED)->count());
        foreach ($campaign->attempts()->get() as $attempt) {
            self::assertMatchesRegularExpression('/T(?:09|1[0-8]):/', $attempt->wall, 'within the window');
            self::assertNotContains((int) (new \DateTimeImmutable($attempt->wall))->format('N'), [6, 7]);
        }
        $this->neverMoreThan(2, $campaign);
        self::assertSame($campaign->attempts()->whereNotNull('call_id')->count(), Call::query()->where('kind', 'live')->where('direction', 'outbound')->count());
        $this->get('/pellbrook/outreach/reminders')->assertOk()->assertSee('Best hours to ring')->assertSee('nobody is left to ring');
        $this->get('/pellbrook/outreach')->assertSee('Reminders')->assertSee('over');
        self::assertStringContainsString('reached', $this->get('/pellbrook/outreach/reminders/people.csv')->streamedContent());
    }

    public function testNobodyIsRungAgainstTheirWill(): void
    {
        $campaign = $this->campaign("name,phone,consent,consent_purpose,do_not_call\nA,07700 900401,2026-01-01,reminders,yes\nB,07700 900402,,,\nC,07700 900403,2026-01-01,surveys,\nD,no number,2026-01-01,reminders,\nE,07700 900405,2026-01-01,reminders,\nF,07700 900406,2026-01-01,reminders,\n");
        $this->post('/pellbrook/outreach/suppressed', ['numbers' => "07700 900406\nnonsense"])->assertSessionHas('notice', '1 numbers more are never rung; not taken, because they are no numbers: nonsense.');
        self::assertSame(['do_not_call' => 2, 'no_consent' => 2, 'bad_number' => 1], $campaign->people()->where('state', CampaignPerson::NOT_RUNG)->get()->countBy('why')->all());
        $this->get('/pellbrook/outreach/reminders')->assertSee('no consent to this purpose')->assertSee('the number is none');
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        self::assertSame(['E'], $campaign->people()->where('attempts', '>', 0)->pluck('name')->all());
    }

    public function testWhoWantsNoMoreCallsIsOutOfEverythingAtOnce(): void
    {
        Queue::fake();
        $first = $this->campaign();
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        $second = $this->campaign(null, 'Second');
        self::assertSame(40, $second->people()->where('state', CampaignPerson::WAITING)->count());
        app(RunQuickly::class)->run($first->refresh(), 60.0);
        $out = $first->people()->where('state', CampaignPerson::OPTED_OUT)->pluck('e164')->all();
        self::assertNotSame([], $out, 'the simulated public has some who want no calls');
        self::assertSame(count($out), SuppressedNumber::query()->whereIn('e164', $out)->count());
        self::assertSame([CampaignPerson::NOT_RUNG], $second->people()->whereIn('e164', $out)->distinct()->pluck('state')->all());
    }

    public function testPausedItRingsNobodyAndGoesOnWhereItWas(): void
    {
        Queue::fake();
        $campaign = $this->campaign(people: 12);
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        $campaign->refresh()->update(['clock_at' => Carbon::createFromTimestamp((int) app(Dialler::class)->next($campaign), 'UTC')]);
        app(Dialler::class)->tick($campaign->refresh());
        $placed = $campaign->attempts()->count();
        self::assertSame(2, $placed, 'as many as lines');
        $this->post('/pellbrook/outreach/reminders/state', ['to' => 'pause'])->assertSessionHasNoErrors();
        app(RunQuickly::class)->run($campaign->refresh(), 5.0);
        self::assertSame($placed, $campaign->attempts()->count());
        $this->post('/pellbrook/outreach/reminders/state', ['to' => 'pause'])->assertSessionHasErrors('campaign');
        $this->put('/pellbrook/outreach/reminders', ['most' => 1] + $this->form())->assertSessionHasNoErrors();
        $this->post('/pellbrook/outreach/reminders/state', ['to' => 'resume'])->assertSessionHasNoErrors();
        app(RunQuickly::class)->run($campaign->refresh(), 60.0);
        self::assertSame([1, Campaign::DONE], [(int) $campaign->people()->max('attempts'), $campaign->refresh()->state]);
        $this->post('/pellbrook/outreach/reminders/state', ['to' => 'stop'])->assertSessionHasErrors('campaign');
    }

    /** Whoever rang them died after the claim: the same attempt is made once, and comes out the same. */
    public function testAClaimThatWasLeftIsTakenUpAndNoCallIsLostOrPlacedTwice(): void
    {
        Queue::fake();
        $one = $this->campaign(people: 14);
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        app(RunQuickly::class)->run($one->refresh(), 60.0);
        $smooth = $one->attempts()->orderBy('id')->get(['e164', 'at', 'came', 'outcome', 'n'])->toArray();
        CampaignAttempt::query()->delete();
        SuppressedNumber::query()->delete();
        $one->people()->update(['state' => CampaignPerson::WAITING, 'attempts' => 0, 'next_at' => null, 'outcome' => '', 'row' => json_encode(['consent' => '2026-01-01', 'consent_purpose' => 'reminders'])]);
        $one->update(['state' => Campaign::MADE, 'held' => [], 'clock_at' => null]);
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        for ($n = 0; $n < 400 && $one->refresh()->state === Campaign::RUNNING; $n++) {
            if ($n % 3 === 0) {
                // Killed between the claim and the call.
                $next = $one->people()->where('state', CampaignPerson::WAITING)->where('next_at', '<=', $one->now())->orderBy('next_at')->orderBy('id')->first();
                if ($next instanceof CampaignPerson) {
                    $next->update(['state' => CampaignPerson::CALLING, 'attempts' => $next->attempts + 1]);
                }
            }
            app(RunQuickly::class)->run($one, 0.001);
        }
        self::assertSame($smooth, $one->attempts()->orderBy('id')->get(['e164', 'at', 'came', 'outcome', 'n'])->toArray());
    }

    /** The worker died with claims made and nobody else waiting: the next look takes the campaign up, once, and it comes to its end. */
    public function testACampaignWhoseWorkerDiedIsTakenUp(): void
    {
        Queue::fake();
        $campaign = $this->campaign(people: 10);
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        $campaign->people()->update(['state' => CampaignPerson::CALLING, 'attempts' => 1]);
        Queue::fake();
        app(RunQuickly::class)->takeUp();
        Queue::assertNothingPushed();
        $this->travel(10)->minutes();
        \Illuminate\Support\Facades\Cache::flush();
        app(RunQuickly::class)->takeUp();
        app(RunQuickly::class)->takeUp();
        Queue::assertPushed(RunCampaign::class, 1);
        app(RunQuickly::class)->run($campaign->refresh(), 60.0);
        self::assertSame(Campaign::DONE, $campaign->refresh()->state);
        self::assertSame(10, $campaign->attempts()->where('n', 1)->count(), 'each claim became one attempt');
    }

    public function testItStopsByItsOwnRules(): void
    {
        $campaign = $this->campaign(null, 'Reminders', ['stop_reached' => 5]);
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1']);
        self::assertSame([Campaign::DONE, '5 were reached, as many as were wanted'], [$campaign->refresh()->state, $campaign->why]);
        self::assertLessThanOrEqual(6, $campaign->people()->where('state', CampaignPerson::REACHED)->count());
    }

    public function testWhatCannotBeIsRefusedInWords(): void
    {
        $this->post('/pellbrook/outreach', ['end' => '2026-03-01'] + $this->form())->assertSessionHasErrors(['end' => 'The last day lies before the first.']);
        $this->post('/pellbrook/outreach', ['windows' => ['mon' => 'all day']] + $this->form())->assertSessionHasErrors(['campaign' => 'Monday: “all day” is no stretch of time; write it as 08:00-12:00.']);
        $this->post('/pellbrook/outreach', ['windows' => ['mon' => '']] + $this->form())->assertSessionHasErrors('windows');
        $this->post('/pellbrook/outreach', ['agent' => 'nobody'] + $this->form())->assertSessionHasErrors('agent');
        self::assertSame(0, Campaign::query()->count());
        $campaign = $this->campaign('');
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1'])->assertSessionHasErrors(['campaign' => 'There is nobody who may be rung. The reasons stand beside the list.']);
        foreach (["a,b\n1,2", "phone\n\x00", ''] as $bad) {
            $this->post('/pellbrook/outreach/reminders/people', ['from' => 'file', 'file' => UploadedFile::fake()->createWithContent('list.csv', $bad)]);
        }
        $this->post('/pellbrook/outreach/reminders/people', ['from' => 'file', 'file' => UploadedFile::fake()->createWithContent('list.csv', "phone,consent\n07700 900501,some day\n")])->assertSessionHas('notice', '0 added, 1 refused: Line 2: “consent”: “some day” is no day; write 2026-05-04.');
        self::assertSame(0, $campaign->people()->where('state', CampaignPerson::WAITING)->count());
        Release::query()->delete();
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1'])->assertSessionHasErrors('campaign');
    }

    public function testCallersOfTheBusinessAreListedOnceWithWhatIsKnown(): void
    {
        $campaign = $this->campaign('');
        $this->contact->update(['consent_on' => '2026-01-05']);
        foreach ([1, 0] as $added) {
            $this->post('/pellbrook/outreach/reminders/people', ['from' => 'callers', 'tag' => ''])->assertSessionHasNoErrors();
        }
        $person = $campaign->people()->sole();
        self::assertSame(['Nell Ashby', $this->contact->id, 'waiting', 'oldmere'], [$person->name, $person->contact_id, $person->state, $person->facts['depot'] ?? null]);
    }

    public function testStaffSeeNothingOfIt(): void
    {
        $this->campaign();
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/outreach')->assertForbidden();
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'real', 'sure' => '1'])->assertForbidden();
    }

    private function neverMoreThan(int $lines, Campaign $campaign): void
    {
        $spans = [];
        foreach ($campaign->attempts()->orderBy('at')->orderBy('id')->get() as $one) {
            self::assertLessThan($lines, count(array_filter($spans, static fn (array $span): bool => $span[1] > $one->at)), 'lines held at '.$one->wall);
            $spans[] = [$one->at, $one->at + (int) ceil($one->seconds)];
        }
    }

    public function testPeopleComeFromAFilterOfCallersAndWhoIsNewSinceIsAdded(): void
    {
        $campaign = $this->campaign();
        Contact::query()->create(['business_id' => $this->business->id, 'kind' => 'person', 'name' => 'Wren Ashby', 'organisation' => 'Ashby Barns', 'tags' => ['weekly'], 'facts' => []])->numbers()->create(['business_id' => $this->business->id, 'e164' => '+441632960201']);
        $this->post('/pellbrook/outreach/reminders/people', ['from' => 'callers', 'tag' => 'weekly', 'q' => 'barns'])->assertSessionHasNoErrors()->assertSessionHas('notice', '1 added.');
        self::assertSame(['tag' => 'weekly', 'q' => 'barns'], $campaign->refresh()->filter);
        $this->get('/pellbrook/outreach/reminders')->assertSee('callers with “weekly”, found by “barns”');
        Contact::query()->create(['business_id' => $this->business->id, 'kind' => 'person', 'name' => 'Una Barns', 'tags' => ['weekly'], 'facts' => []])->numbers()->create(['business_id' => $this->business->id, 'e164' => '+441632960202']);
        $this->post('/pellbrook/outreach/reminders/people', ['from' => 'callers', 'tag' => 'weekly', 'q' => 'barns'])->assertSessionHas('notice', '1 added, 1 were there already.');
        $this->post('/pellbrook/outreach/reminders/people', ['from' => 'callers', 'show' => 'everybody'])->assertSessionHasErrors('show');
    }

    public function testNoMoreCallsThanPeopleOfTheTeamAreThere(): void
    {
        $this->travelTo('2026-03-02 10:00:00');
        $campaign = $this->campaign();
        $team = $this->business->teams()->create(['key' => 'rounds', 'name' => 'Rounds', 'description' => 'the rounds', 'examples' => [], 'hours' => []]);
        $campaign->update(['state' => Campaign::RUNNING, 'clock' => 'real', 'lines' => 5, 'a_minute' => 60, 'desk_team' => 'rounds', 'release_id' => Release::query()->where('agent_id', $campaign->agent_id)->value('id')]);
        $dialler = app(Dialler::class);
        $dialler->tick($campaign);
        self::assertSame(0, $campaign->attempts()->count(), 'nobody is there to whom it could be put through');
        foreach (['ann', 'ben', 'cat'] as $key) {
            $person = Person::query()->create(['business_id' => $this->business->id, 'key' => $key, 'name' => ucfirst($key), 'site' => '', 'presence' => $key === 'cat' ? 'away' : 'available']);
            $team->people()->attach($person->id, ['position' => 1]);
        }
        $dialler->tick($campaign);
        self::assertSame(2, $campaign->attempts()->count());
    }

    public function testWhoComplainedIsLeftInPeaceByEveryCampaignAndWhoMattersMostIsRungFirst(): void
    {
        $campaign = $this->campaign();
        [$one, , $three] = $campaign->people()->where('state', CampaignPerson::WAITING)->orderBy('id')->limit(3)->pluck('id')->all();
        [$first, $third] = [$campaign->people()->whereKey($one)->firstOrFail(), $campaign->people()->whereKey($three)->firstOrFail()];
        $other = Campaign::query()->create(['name' => 'Others', 'key' => 'others', 'state' => Campaign::DONE] + $campaign->only(['business_id', 'agent_id', 'document', 'lines', 'a_minute', 'stops', 'clock', 'seed', 'held']));
        CampaignPerson::query()->create(['campaign_id' => $other->id, 'phone' => $first->phone, 'e164' => $first->e164, 'row' => [], 'facts' => [], 'state' => CampaignPerson::REACHED, 'complained' => '2026-02-20']);
        $campaign->update(['document' => ['complaint_days' => 90] + $campaign->document]);
        app(PlanPeople::class)->all($campaign->refresh());
        self::assertSame(['not_rung', 'complaint'], [$first->refresh()->state, $first->why]);
        $third->update(['priority' => 9]);
        $campaign->update(['state' => Campaign::RUNNING, 'clock' => 'quick', 'clock_at' => Carbon::parse('2026-03-02 12:00', 'UTC'), 'lines' => 1, 'release_id' => Release::query()->where('agent_id', $campaign->agent_id)->value('id')]);
        app(Dialler::class)->tick($campaign->refresh());
        self::assertSame([$third->id], CampaignAttempt::query()->pluck('campaign_person_id')->all(), 'before those who were due as early');
    }

    public function testTwoReleasesRingHalfOfThePeopleEachAndStandSideBySide(): void
    {
        $campaign = $this->campaign(people: 20);
        $agent = Agent::query()->with('draft')->findOrFail($campaign->agent_id);
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => $agent->draft->script_text_id, 'number' => 2, 'note' => 'other words']);
        $this->get('/pellbrook/outreach/reminders')->assertOk()->assertSee('half of the people');
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1', 'other' => '7'])->assertSessionHasErrors('other');
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1', 'other' => '1'])->assertSessionHasNoErrors();
        $by = CampaignAttempt::query()->where('campaign_id', $campaign->id)->whereNotNull('release_id')->get()->groupBy('campaign_person_id')->map(static fn ($tries): array => $tries->pluck('release_id')->unique()->all());
        self::assertSame(1, $by->map(static fn (array $releases): int => count($releases))->max(), 'everybody by one release, however often they are rung');
        $split = $by->map(static fn (array $releases): int => $releases[0])->countBy();
        self::assertCount(2, $split);
        self::assertGreaterThan(5, $split->min());
        $page = $this->get('/pellbrook/outreach/reminders')->assertOk();
        $page->assertSee('Two releases side by side')->assertSee('release 2')->assertSee('may be chance');
        $sides = app(CampaignComparison::class)->releases($campaign->refresh());
        self::assertSame($campaign->people()->where('attempts', '>', 0)->count(), array_sum(array_column($sides['sides'] ?? [], 'rung')), 'nobody twice, nobody left out');
    }

    public function testTwoCampaignsStandSideBySideAndATestPersonUsesNoAttempt(): void
    {
        $campaign = $this->campaign(people: 12);
        $this->post('/pellbrook/outreach/reminders/test')->assertSessionHasNoErrors()->assertSessionHas('placed');
        $call = Call::query()->firstOrFail();
        self::assertSame(['rehearsal', 'in_progress', $campaign->people()->orderBy('next_at')->orderBy('id')->firstOrFail()->name], [$call->kind, $call->status, $call->caller_name]);
        self::assertNotSame([], array_diff_key($call->state['caller'], ['known' => 1, 'kind' => 1]), 'with what the list tells');
        self::assertSame(0, $campaign->attempts()->count());
        $this->post('/pellbrook/outreach/reminders/launch', ['clock' => 'quick', 'sure' => '1'])->assertSessionHasNoErrors();
        $other = $campaign->refresh()->replicate()->fill(['key' => 'others', 'name' => 'The others', 'state' => Campaign::DONE]);
        $other->save();
        $this->get('/pellbrook/outreach/reminders?with=others')->assertOk()->assertSee('Beside another campaign')->assertSee('The others')->assertSee('in 95 of 100 such between');
        $this->get('/pellbrook/outreach/reminders?with=none')->assertOk()->assertDontSee('in 95 of 100 such between');
    }

    public function testWhatPeopleHaveAgainstItIsCountedWithWhatItLedTo(): void
    {
        $campaign = $this->campaign();
        $person = $campaign->people()->firstOrFail();
        foreach ([[1, ['price'], 'call back arranged'], [2, ['price', 'price', 'thinking'], 'not interested'], [3, ['thinking'], 'do not call'], [4, [], 'call back arranged']] as [$n, $objections, $outcome]) {
            CampaignAttempt::query()->create(['campaign_id' => $campaign->id, 'campaign_person_id' => $person->id, 'n' => $n, 'e164' => '+447700900600', 'at' => 1_772_000_000 + $n, 'wall' => '2026-03-02T10:00', 'came' => 'reached', 'outcome' => $outcome, 'seconds' => 40, 'objections' => $objections]);
        }
        $found = app(CampaignPage::class)->of($campaign)['objections'];
        self::assertSame(['price' => ['calls' => 2, 'times' => 3, 'achieved' => 1, 'out' => 0], 'thinking' => ['calls' => 2, 'times' => 2, 'achieved' => 0, 'out' => 1]], $found);
    }

    /**
     * @param ?string $list CSV; null: so many people with consent
     * @param array<string, mixed> $with
     */
    private function campaign(?string $list = null, string $name = 'Reminders', array $with = [], int $people = 40): Campaign
    {
        $this->post('/pellbrook/outreach', ['name' => $name] + $with + $this->form())->assertSessionHasNoErrors();
        $campaign = Campaign::query()->latest('id')->firstOrFail();
        $list ??= "name,phone,consent,consent_purpose,round_day,call_about\n".implode("\n", array_map(static fn (int $n): string => "Person {$n},07700 900".(500 + $n).',2026-01-01,reminders,on Tuesday,reminder', range(1, $people)));
        if ($list !== '') {
            $this->post("/pellbrook/outreach/{$campaign->key}/people", ['from' => 'file', 'file' => UploadedFile::fake()->createWithContent('list.csv', $list)])->assertSessionHasNoErrors();
        }

        return $campaign->refresh();
    }

    /** @return array<string, mixed> */
    private function form(): array
    {
        return ['name' => 'Collection days', 'agent' => 'tobin', 'purpose' => 'reminders', 'start' => '2026-03-02', 'end' => '2026-03-13', 'windows' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], '09:00-19:00'), 'most' => 3, 'after' => ['busy' => ['n' => 20, 'unit' => 'M'], 'no_answer' => ['n' => 3, 'unit' => 'H'], 'voicemail' => ['n' => 1, 'unit' => 'D'], 'hung_up' => ['n' => 2, 'unit' => 'D'], 'failed' => ['n' => 1, 'unit' => 'H']], 'lines' => 2, 'a_minute' => 6, 'per_day' => 1, 'per_week' => 3, 'complaint_days' => 90, 'consent' => '1', 'minute' => '0.03', 'attempt' => '0.01', 'rates' => ['reached' => 45, 'busy' => 10, 'no_answer' => 30, 'voicemail' => 10], 'seed' => '3'];
    }
}
