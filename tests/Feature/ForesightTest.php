<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\Offer;
use App\Models\OwnTrade;
use App\Models\Person;
use App\Models\Role;
use App\Models\SayingMark;
use App\Models\ScriptText;
use App\Models\Team;
use App\Models\TeamExample;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\CoversNothing;
use Ringo\Trade\Trades;

/** What callers will say, trades of one's own, and what is learned from calls. */
#[CoversNothing]
final class ForesightTest extends FeatureTestCase
{
    private Team $accounts;

    private Team $yard;

    protected function setUp(): void
    {
        parent::setUp();
        $make = fn (string $key, string $name, string $about): Team => Team::query()->create(['business_id' => $this->business->id, 'key' => $key, 'name' => $name, 'description' => $about, 'examples' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 2, 'hours' => []]);
        $this->accounts = $make('accounts', 'Accounts', 'invoices, statements and payments');
        $this->yard = $make('yard', 'Yard', 'deliveries, collections and machines on site');
    }

    public function testListsWhatCallersSayBesideWhatTheAgentDoesAndCountsIt(): void
    {
        $this->actingAs($this->user());
        $page = $this->get('/pellbrook/agents/maren/callers-say')->assertOk();
        $page->assertSee('plant hire firm')->assertSee('Belongs to');
        $kept = $this->agent->refresh()->foreseen;
        self::assertNotNull($kept);
        self::assertGreaterThan(60, $kept['of']);
        self::assertSame($kept['of'], $kept['handled'] + count($kept['missed']) + substr_count((string) $page->getContent(), 'take it as about the call'));
        $this->get('/pellbrook/agents/maren/prompt-book')->assertSee('come to nothing');
    }

    public function testOneKeyMarksARowAndATopicLearnsWhatBelongsToIt(): void
    {
        $this->actingAs($this->user());
        $mark = fn (array $body) => $this->postJson('/pellbrook/agents/maren/callers-say/marks', $body);
        $said = 'the swivelly kind has been pinched from us';
        $mark(['said' => $said, 'verdict' => 'belongs', 'target' => 'breakdown'])->assertOk()->assertSee('right');
        self::assertStringContainsString($said, (string) $this->agent->draft()->firstOrFail()->scriptText->document);
        self::assertTrue(SayingMark::query()->sole()->does->serves());
        $mark(['said' => $said, 'verdict' => 'none'])->assertOk()->assertSee('Belongs to');
        self::assertSame(0, SayingMark::query()->count());
        $mark(['said' => 'purple monkey dishwasher', 'verdict' => 'not_ours'])->assertOk()->assertSee('not for us');
        $mark(['said' => 'x', 'verdict' => 'belongs'])->assertStatus(422);
        $mark(['said' => 'we owe you for the last one', 'verdict' => 'belongs', 'target' => 'nowhere'])->assertStatus(422)->assertJsonValidationErrors('target');
        $mark(['said' => 'we owe you for the last one', 'verdict' => 'belongs', 'target' => 'team:accounts'])->assertOk();
        self::assertSame(['accounts', 'foreseen', 'counts'], [TeamExample::query()->sole()->team->key, TeamExample::query()->sole()->origin, TeamExample::query()->sole()->state]);
    }

    public function testAnAnswerAndAQuestionAreAddedFromTheList(): void
    {
        $this->actingAs($this->user());
        $this->postJson('/pellbrook/agents/maren/callers-say/answers', ['said' => 'is there a step up to the counter', 'answer' => 'No, the counter has no step.'])->assertOk()->assertSee('no step');
        $this->post('/pellbrook/agents/maren/callers-say/questions', ['fact' => 'With operator'])->assertRedirect();
        $draft = $this->agent->draft()->firstOrFail()->scriptText->script();
        self::assertSame('yes_no', $draft->sheet->field('answer')?->type->value);
        $this->post('/pellbrook/agents/maren/callers-say/questions', ['fact' => 'shoe size'])->assertSessionHasErrors('fact');
        $this->put('/pellbrook/agents/maren/callers-say/trades', ['trades' => ['florist', '']])->assertRedirect();
        self::assertSame(['florist'], $this->agent->refresh()->trades);
        $this->put('/pellbrook/agents/maren/callers-say/trades', ['trades' => ['no-such']])->assertSessionHasErrors('trades');
    }

    public function testATradeIsWrittenExchangedAndTakenOut(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/trades', ['label' => 'piano workshop', 'about' => 'Tunes pianos at home.', 'sayings' => "my piano is flat\nmy piano is flat\n\na key sticks", 'questions' => 'how long does a tuning take', 'facts' => 'Make of the piano | free text | What make is it? | upright; a Broadwell'])->assertRedirect('/pellbrook/trades/piano-workshop');
        $file = $this->get('/pellbrook/trades/files/piano-workshop.json')->assertOk();
        self::assertSame(['my piano is flat', 'a key sticks'], array_column($file->json('sayings'), 'said'));
        self::assertSame(['upright', 'a Broadwell'], $file->json('fields.0.say'));
        $this->put('/pellbrook/trades/piano-workshop', ['label' => 'piano workshop', 'about' => 'Tunes pianos at home.', 'sayings' => 'a string broke', 'facts' => 'Make | colour | What?'])->assertSessionHasErrors('sayings');
        $this->delete('/pellbrook/trades/piano-workshop')->assertSessionHas('undo');
        self::assertSame(0, OwnTrade::query()->count());
        $this->post('/pellbrook/trades/import', ['file' => UploadedFile::fake()->createWithContent('t.json', (string) $file->getContent())])->assertRedirect('/pellbrook/trades/piano-workshop');
        $this->post('/pellbrook/trades/import', ['file' => UploadedFile::fake()->createWithContent('t.json', '[1, 2')])->assertSessionHasErrors('file');
        $this->post('/pellbrook/trades/import', ['file' => UploadedFile::fake()->createWithContent('t.json', '{"trade": "x", "nonsense": 1}')])->assertSessionHasErrors('file');
        $this->get('/pellbrook/trades/new?from=florist')->assertOk()->assertSee('begun from florist');
        $this->get('/pellbrook/trades?find=vet')->assertOk()->assertSee('begin from it');
        self::assertCount(240, Trades::shipped()->labels());
    }

    public function testWhatACallerChoosesWhenAskedBecomesAnExampleThatWaits(): void
    {
        $this->teamsAreRung();
        $this->business->update(['caution' => 'careful']);
        $this->actingAs($this->user());
        $ref = $this->ringLive();
        $this->happens($ref, 1, 'said', 'I want to speak to a person about what happened with the order last week')->assertOk();
        self::assertSame('which_team', Call::query()->where('ref', $ref)->sole()->state['mode']);
        $this->happens($ref, 2, 'said', 'accounts please')->assertOk();
        $example = TeamExample::query()->sole();
        self::assertSame(['accounts', 'asked', 'waiting'], [$example->team->key, $example->origin, $example->state]);
        $this->get('/pellbrook/transfers')->assertSee('Let it count')->assertSee('the caller chose it when asked');
        $this->postJson('/pellbrook/examples/check', ['team' => 'accounts', 'said' => $example->said])->assertOk()->assertJsonPath('own.after', 'Accounts');
        $this->put("/pellbrook/examples/{$example->id}", ['state' => 'counts'])->assertRedirect();
        self::assertSame('counts', $example->refresh()->state);
        $this->put("/pellbrook/examples/{$example->id}", ['state' => 'removed'])->assertSessionHas('undo');
    }

    public function testAColleaguePassesACallOnAndTheTeamLearnsIt(): void
    {
        $this->teamsAreRung();
        $user = $this->user();
        $this->actingAs($user);
        $ref = $this->ringLive();
        $this->happens($ref, 1, 'said', 'can I speak to a person in the yard about my statement being wrong again')->assertOk();
        $offer = Offer::query()->where('status', 'ringing')->first();
        if ($offer === null) {
            $this->happens($ref, 2, 'said', 'the yard');
            $offer = Offer::query()->where('status', 'ringing')->firstOrFail();
        }
        Person::query()->whereKey($offer->person_id)->update(['user_id' => $user->id]);
        $to = $offer->target === 'team:yard' ? 'accounts' : 'yard';
        $this->postJson("/pellbrook/desk/offers/{$offer->id}", ['how' => 'decline', 'reason' => 'not my part', 'team' => $to])->assertOk();
        $example = TeamExample::query()->where('origin', 'desk')->sole();
        self::assertSame($to, $example->team->key);
        self::assertSame("team:{$to}", Offer::query()->where('status', 'ringing')->firstOrFail()->target);
    }

    public function testASpecialistMarksALineOfACallAndSetsTheCosts(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/examples', ['team' => 'yard', 'said' => 'the lorry has not come yet'])->assertRedirect();
        self::assertSame('marked', TeamExample::query()->sole()->origin);
        $this->post('/pellbrook/examples', ['team' => 'yard', 'said' => 'yes'])->assertSessionHasErrors('said');
        $this->post('/pellbrook/examples', ['team' => 'nobody', 'said' => 'the lorry has not come'])->assertSessionHasErrors('team');
        $this->put('/pellbrook/transfers/caution', ['caution' => 'careful'])->assertRedirect();
        self::assertSame('careful', $this->business->refresh()->caution);
        $this->put('/pellbrook/transfers/caution', ['caution' => 'reckless'])->assertSessionHasErrors('caution');
    }

    public function testStaffSeeNothingOfIt(): void
    {
        $this->actingAs($this->user(Role::Staff));
        foreach (['/pellbrook/agents/maren/callers-say', '/pellbrook/trades', '/pellbrook/trades/new'] as $page) {
            $this->get($page)->assertForbidden();
        }
        $this->post('/pellbrook/examples', [])->assertForbidden();
        $this->postJson('/pellbrook/agents/maren/callers-say/marks', [])->assertForbidden();
    }

    /** Both teams have somebody, and the script sends whoever wants a person to the team that fits. */
    private function teamsAreRung(): void
    {
        foreach ([$this->accounts, $this->yard] as $n => $team) {
            $person = Person::query()->create(['business_id' => $this->business->id, 'key' => 'p'.$n, 'name' => ['Pip', 'Vera'][$n], 'number' => '+44163296010'.$n, 'site' => '', 'presence' => 'available']);
            $team->people()->attach($person->id, ['position' => 0]);
        }
        $data = $this->agent->draft->scriptText->document()->toArray();
        $data['transfers'] = ['rules' => [['key' => 'all', 'to' => 'fit']], 'default' => 'team:yard'];
        foreach ($data['steps'] as $n => $step) {
            foreach ($step['topics'] ?? [] as $m => $topic) {
                if ($topic['key'] === 'person') {
                    $data['steps'][$n]['topics'][$m]['next'] = 'put_through';
                }
            }
        }
        $text = ScriptText::of($this->agent, json_encode($data, JSON_THROW_ON_ERROR));
        $this->agent->draft->update(['script_text_id' => $text->id]);
        $this->agent->load('draft.scriptText');
    }
}
