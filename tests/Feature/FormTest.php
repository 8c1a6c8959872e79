<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Design\CreateAgent;
use App\Actions\Outreach\Dialler;
use App\Models\Agent;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\FormEntry;
use App\Models\Release;
use App\Models\Role;
use App\Models\SuppressedNumber;
use Illuminate\Testing\TestResponse;
use Ringo\Design\ScriptDocument;
use Ringo\Outreach\Held;

/** A form on a client's page rings whoever sent it: at once or at the next allowed moment, known to the agent, once, and nobody by spam. */
final class FormTest extends FeatureTestCase
{
    private Campaign $campaign;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-03-02 10:00:21');
        $me = $this->user()->refresh();
        $this->actingAs($me);
        $document = ScriptDocument::fromJson((string) file_get_contents(database_path('demo/quillmoor/tobin.json')));
        $agent = app(CreateAgent::class)->from($this->business, $document, $me, 'from a file');
        Release::query()->create(['agent_id' => $agent->id, 'script_text_id' => Agent::query()->with('draft')->findOrFail($agent->id)->draft->script_text_id, 'number' => 1, 'note' => '']);
        $this->post('/pellbrook/outreach', ['name' => 'Web', 'agent' => 'tobin', 'purpose' => 'their request', 'start' => '2026-03-02', 'end' => '2026-03-31', 'windows' => array_fill_keys(['mon', 'tue'], '09:00-17:00'), 'most' => 3, 'lines' => 2, 'a_minute' => 6, 'consent' => '1', 'rates' => ['reached' => 98, 'busy' => 0, 'no_answer' => 0, 'voicemail' => 0]])->assertSessionHasNoErrors();
        $this->put('/pellbrook/outreach/web/form', ['origins' => 'https://www.pellbrook.example'])->assertSessionHasNoErrors();
        $this->post('/pellbrook/outreach/web/launch', ['clock' => 'real', 'sure' => '1'])->assertSessionHasNoErrors();
        $this->campaign = Campaign::query()->sole();
        // Another that runs beside it, as in life.
        $this->campaign->replicate()->fill(['key' => 'other', 'intake_token' => null, 'intake' => null, 'stops' => ['reached' => 9]])->save();
    }

    public function testWhoeverSendsItIsRungWithinSecondsAndTheAgentKnowsWhatTheyWrote(): void
    {
        $this->send(['round_day' => 'on Friday'])->assertOk()->assertSee('We ring you now.');
        app(Dialler::class)->due();
        $person = $this->campaign->people()->sole();
        self::assertSame([1, 'Ann Birkett'], [$person->attempts, $person->name]);
        $call = Call::query()->where('direction', 'outbound')->sole();
        self::assertSame('Ann Birkett', $call->caller_name);
        self::assertStringContainsString('Ann', (string) $call->turns()->orderBy('n')->value('text'));
        self::assertStringContainsString('on Friday', $call->turns()->where('by', 'agent')->pluck('text')->implode(' '));
        self::assertSame(Campaign::RUNNING, $this->campaign->refresh()->state, 'more may come');
        $this->get('/pellbrook/outreach/web')->assertOk()->assertSee('As it came last')->assertSee('on Friday');
        $this->travelTo('2026-04-01 09:00:00');
        app(Dialler::class)->due();
        self::assertNotSame(CampaignPerson::CALLING, $person->refresh()->state);
    }

    public function testOutsideTheHoursTheyAreToldWhen(): void
    {
        $this->travelTo('2026-03-03 18:30:00');
        $this->send()->assertOk()->assertSee('We ring you on Monday, 9 March from 09:00.');
        app(Dialler::class)->due();
        self::assertSame(0, Call::query()->where('direction', 'outbound')->count());
        $this->travelTo('2026-03-09 09:00:01');
        app(Dialler::class)->due();
        self::assertSame(1, $this->campaign->people()->sole()->attempts);
    }

    public function testSpamAndDoublesAreHeldWithTheReason(): void
    {
        SuppressedNumber::query()->create(['business_id' => $this->business->id, 'e164' => '+447700900199', 'why' => 'asked for it']);
        $this->send(['website' => 'https://x.example'])->assertOk()->assertSee('We have what you sent.');
        $this->send()->assertSee('We ring you now.');
        $this->send(['phone' => '+44 7700 900123'])->assertOk()->assertDontSee('We ring you');
        $this->send(['phone' => '07700 900199'])->assertOk()->assertDontSee('We ring you');
        self::assertSame([Held::Trap, null, Held::Double, Held::Never], FormEntry::query()->orderBy('id')->get()->pluck('held')->all());
        self::assertSame(1, $this->campaign->people()->count());
        $this->send()->assertOk();
        $this->send()->assertStatus(429);
        [$trap, $rung] = FormEntry::query()->orderBy('id')->limit(2)->get()->all();
        $this->post("/pellbrook/outreach/web/form/{$trap->id}/ring")->assertSessionHas('notice', 'They are rung at the next allowed moment.');
        $this->post("/pellbrook/outreach/web/form/{$rung->id}/ring")->assertSessionHasErrors('intake');
        self::assertSame(2, $this->campaign->people()->count());
    }

    public function testNobodyIsRungAgainstTheirWillByAPersonEither(): void
    {
        $this->send(['consent' => ''])->assertStatus(422);
        $this->send(['website' => 'https://x.example', 'consent' => '', 'phone' => '07700 900124']);
        $this->send(['phone' => 'none']);
        $entries = FormEntry::query()->orderBy('id')->pluck('id')->all();
        foreach (['They are not rung: they did not consent.', 'They are not rung: they did not consent.', 'There is no number to ring.'] as $n => $told) {
            $this->post("/pellbrook/outreach/web/form/{$entries[$n]}/ring")->assertSessionHasErrors(['intake' => $told]);
        }
        self::assertSame(0, $this->campaign->people()->count());
    }

    public function testWhatCannotBeIsToldToWhoeverSentIt(): void
    {
        $this->send(['phone' => 'my phone'])->assertStatus(422)->assertSee('That is no telephone number');
        $this->send(['consent' => ''])->assertStatus(422)->assertSee('Please tick');
        $this->postJson($this->address(), [])->assertStatus(422)->assertJson(['message' => 'The form is empty.']);
        self::assertSame(2, FormEntry::query()->count(), 'what came is kept as it came');
        $this->post('/form/'.str_repeat('a', 24), ['phone' => '1'])->assertNotFound();
        $this->post($this->address(), ['phone' => '07700 900123'], ['Origin' => 'https://elsewhere.example'])->assertNotFound();
        $this->postJson($this->address(), ['phone' => '07700 900123', 'consent' => true, 'name' => ['x'], 'wish' => 'x'], ['Origin' => 'https://www.pellbrook.example'])->assertOk()->assertHeader('Access-Control-Allow-Origin', 'https://www.pellbrook.example');
    }

    public function testTheAddressCanBeAnotherAndTheFormEndsWithTheCampaign(): void
    {
        $old = $this->address();
        $this->post('/pellbrook/outreach/web/form/token')->assertSessionHasNoErrors();
        $this->post($old, ['phone' => '07700 900123'])->assertNotFound();
        $this->campaign->refresh();
        $this->post('/pellbrook/outreach/web/state', ['to' => 'pause']);
        $this->send()->assertOk()->assertDontSee('We ring you');
        self::assertSame(Held::Idle, FormEntry::query()->sole()->held);
        $this->get('/site/pellbrook/form/web')->assertOk()->assertSee($this->address())->assertSee('A made-up page');
        $this->delete('/pellbrook/outreach/web/form')->assertSessionHasNoErrors();
        $this->send()->assertNotFound();
        $this->get('/site/pellbrook/form/web')->assertNotFound();
        $this->put('/pellbrook/outreach/web/form', ['map' => ['a' => 'phone', 'b' => 'phone']])->assertSessionHasErrors('intake');
        $this->put('/pellbrook/outreach/web/form', ['map' => ['wish' => 'fact', 'memo' => 'leave'], 'facts' => ['wish' => 'Call about']])->assertSessionHasNoErrors();
        self::assertSame(['wish' => 'fact:call_about', 'memo' => 'leave'], $this->campaign->refresh()->intake()->map);
        $this->actingAs($this->user(Role::Staff));
        $this->put('/pellbrook/outreach/web/form')->assertForbidden();
    }

    private function address(): string
    {
        return route('form', $this->campaign->intake_token);
    }

    /**
     * @param array<string, string> $with
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(array $with = []): TestResponse
    {
        return $this->post($this->address(), $with + ['name' => 'Ann Birkett', 'phone' => '07700 900123', 'consent' => 'yes']);
    }
}
