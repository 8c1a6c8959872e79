<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\Contact;
use App\Models\ContactChange;
use App\Models\ContactColumn;
use App\Models\ContactImport;
use App\Models\ContactNumber;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Draft;
use App\Models\FileRow;
use App\Models\Membership;
use App\Models\Person;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\Team;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Ringo\Design\ScriptDocument;

/** What somebody meets who sets up a new client: nothing typed is lost, nothing is half kept, everything can be taken back. */
final class NewClientTest extends FeatureTestCase
{
    private User $me;

    protected function setUp(): void
    {
        parent::setUp();
        $this->me = $this->user();
        $this->actingAs($this->me);
    }

    public function testAnErrorOnThePageOfTheAgentLosesNothingOfWhatWasTyped(): void
    {
        $page = '/pellbrook/agents/maren';
        $form = ['_form' => 'agent', 'version' => 1, 'name' => 'Marenka', 'business' => '[business]', 'facts' => "deposit = fifty pounds\nno equals sign here", 'greeting' => ['known' => 'Ah, hello again.']];
        $this->from($page)->put($page, $form)->assertRedirect($page)->assertSessionHasErrors('agent');
        self::assertSame(1, $this->draft()->version, 'nothing was half kept');
        $this->get($page)->assertOk()->assertSee('“no equals sign here” says no fact')->assertSee('value="Marenka"', false)->assertSee('Ah, hello again.')->assertSee('no equals sign here');
    }

    public function testKeepingTheAgentLeavesGreetingsThatRecognitionWrote(): void
    {
        $document = $this->document();
        $agent = $document->toArray()['agent'];
        $agent['greeting'] = ['shared' => 'Hello, who is there?', 'known' => ['Hello again.', 'Good to hear you.']] + ($agent['greeting'] ?? []);
        $this->written($document->with('agent', $agent));
        $script = $this->document()->script;
        $this->put('/pellbrook/agents/maren', ['version' => 1, 'name' => 'Marenka', 'business' => $script->agent->business, 'greeting' => ['known' => 'Hello again.']])->assertSessionHasNoErrors();
        $greeting = $this->document()->toArray()['agent']['greeting'];
        self::assertSame('Hello, who is there?', $greeting['shared']);
        self::assertSame(['Hello again.', 'Good to hear you.'], $greeting['known'], 'the other words of a line shown are kept');
    }

    public function testATeamIsKeptWholeOrNotAtAll(): void
    {
        Person::query()->create(['business_id' => $this->business->id, 'key' => 'hugo', 'name' => 'Hugo', 'presence' => 'available']);
        $team = ['_form' => 'team-new', 'name' => 'Night desk', 'description' => 'anything at night', 'ring' => 'turn', 'seconds' => 15, 'waiting_most' => 2];
        $this->from('/pellbrook/transfers')->post('/pellbrook/teams', ['members' => 'hugo, Nobody Here'] + $team)->assertSessionHasErrors(['members' => 'There is nobody called “Nobody Here” among the people. Add them first; nothing of the team was changed.']);
        self::assertSame(0, Team::query()->count());
        $this->get('/pellbrook/transfers')->assertOk()->assertSee('value="Night desk"', false)->assertSee('hugo, Nobody Here');
        $this->post('/pellbrook/teams', ['members' => 'hugo'] + $team)->assertSessionHasNoErrors();
        $kept = Team::query()->sole();
        self::assertSame(['Hugo'], $kept->people()->pluck('name')->all());
        $this->delete("/pellbrook/teams/{$kept->key}")->assertSessionHas('undo');
        self::assertSame(0, Team::query()->count());
        $this->post("/pellbrook/teams/{$kept->key}/restore")->assertRedirect();
        self::assertSame(['Hugo'], Team::query()->sole()->people()->pluck('name')->all(), 'it comes back with its people');
        $this->get('/pellbrook/transfers')->assertSee('the team “Night desk” put back, by Designer');
    }

    public function testChangesOfATeamAreTakenBackOneByOne(): void
    {
        foreach (['hugo' => 'Hugo', 'bea' => 'Bea'] as $key => $name) {
            Person::query()->create(['business_id' => $this->business->id, 'key' => $key, 'name' => $name, 'presence' => 'available']);
        }
        $team = ['name' => 'Night desk', 'description' => 'anything at night', 'ring' => 'turn', 'seconds' => 15, 'waiting_most' => 2, 'members' => 'hugo, bea'];
        $this->post('/pellbrook/teams', $team)->assertSessionHas('notice');
        $kept = Team::query()->sole();
        $url = "/pellbrook/teams/{$kept->key}";
        $this->put($url, ['description' => 'fires'] + $team)->assertSessionHas('undo');
        $this->put($url, ['description' => 'floods', 'members' => 'bea'] + $team)->assertSessionHas('undo');
        $this->post("{$url}/revert")->assertSessionHas('undo');
        self::assertSame(['fires', ['Hugo', 'Bea']], [$kept->refresh()->description, $kept->people()->pluck('name')->all()]);
        $this->post("{$url}/revert")->assertSessionHas('notice');
        self::assertSame('anything at night', $kept->refresh()->description);
        $this->post("{$url}/revert")->assertSessionHasErrors('undo');
    }

    public function testTakingBackWritesNothingOverThatSomebodyElseChanged(): void
    {
        $team = ['name' => 'Night desk', 'description' => 'anything at night', 'ring' => 'turn', 'seconds' => 15, 'waiting_most' => 2, 'members' => ''];
        $this->post('/pellbrook/teams', $team);
        $kept = Team::query()->sole();
        $url = "/pellbrook/teams/{$kept->key}";
        $this->put($url, ['description' => 'fires'] + $team)->assertSessionHas('undo');
        $kept->refresh()->update(['seconds' => 40]);
        $this->post("{$url}/revert")->assertSessionHasErrors('undo');
        self::assertSame(['fires', 40], [$kept->refresh()->description, $kept->seconds]);
    }

    public function testChangesOfADeliveryRuleAreTakenBackOneByOne(): void
    {
        $form = ['name' => 'Note', 'kind' => 'email', 'to' => 'boss@example.com', 'subject' => 'A call', 'words' => 'One.', 'active' => '1', 'timing_kind' => 'at_once'];
        $this->post('/pellbrook/post/rules', $form)->assertSessionHas('notice');
        $rule = DeliveryRule::query()->sole();
        $url = "/pellbrook/post/rules/{$rule->id}";
        $this->put($url, ['words' => 'Two.'] + $form)->assertSessionHas('undo');
        $this->put($url, ['words' => 'Three.', 'to' => 'else@example.com'] + $form)->assertSessionHas('undo');
        $this->post("{$url}/revert")->assertSessionHas('undo');
        self::assertSame(['Two.', 'boss@example.com'], [$rule->refresh()->words, $rule->to]);
        $this->post("{$url}/revert")->assertSessionHas('notice');
        self::assertSame('One.', $rule->refresh()->words);
        $this->post("{$url}/revert")->assertSessionHasErrors('undo');
    }

    public function testUndoGoesOnToTheChangeBefore(): void
    {
        $url = '/pellbrook/agents/maren/prompt-book';
        $was = $this->document()->toJson();
        $steps = array_slice(array_keys($this->document()->script->steps), -2);
        while ($this->draft()->version < 3) {
            $this->deleteJson("{$url}/steps/".array_pop($steps), ['version' => $this->draft()->version])->assertOk();
        }
        $undo = fn (int $version): int => (int) $this->postJson("{$url}/undo", ['version' => $version])->assertOk()->json('version');
        $this->get($url)->assertOk()->assertSee('Takes back: took out');
        self::assertSame(4, $undo(3));
        $this->postJson("{$url}/undo", ['version' => 3])->assertConflict();
        self::assertSame(5, $undo(2));
        self::assertSame($was, $this->document()->toJson());
        $this->get($url)->assertOk()->assertSee('Nothing to take back');
        $this->put('/pellbrook/agents/maren/transfers', ['version' => 5, 'rules' => [], 'default' => 'call_back'])->assertSessionHasNoErrors();
        $this->get('/pellbrook/transfers')->assertSee('changed the transfer rules');
        $this->from('/pellbrook/transfers')->post("{$url}/undo", ['version' => 6])->assertRedirect('/pellbrook/transfers');
        self::assertSame($was, $this->document()->toJson());
    }

    public function testATextToARoleGoesToTelephonesAndNeverToAnAddress(): void
    {
        $owner = User::query()->create(['name' => 'Owner', 'email' => 'owner@ringo.example', 'password' => 'secret-words']);
        Membership::query()->create(['user_id' => $owner->id, 'business_id' => $this->business->id, 'role' => Role::Owner]);
        Person::query()->create(['business_id' => $this->business->id, 'key' => 'owner', 'name' => 'Owner', 'number' => '+447700900555', 'presence' => 'available', 'user_id' => $owner->id]);
        $this->rule('text', ['to' => 'role:owner, role:designer', 'words' => 'A call.']);
        $this->rule('email', ['to' => 'role:owner', 'words' => 'A call.']);
        $this->held();
        self::assertSame(['+447700900555'], Delivery::query()->where('kind', 'text')->pluck('to')->all(), 'a designer without a telephone gets none');
        self::assertSame(['owner@ringo.example'], Delivery::query()->where('kind', 'email')->pluck('to')->all());
    }

    public function testRowsNameFieldsAndCarryDatesAMachineCanRead(): void
    {
        $rule = ['name' => 'Rows', 'kind' => 'row', 'active' => '1', 'timing_kind' => 'at_once'];
        $this->from('/pellbrook/post/rules/new')->post('/pellbrook/post/rules', ['mapping' => "Name: caller_name\nDay: start_dat"] + $rule)->assertSessionHasErrors(['mapping' => 'The column “Day” names start_dat, which no call leaves. Did you mean start_date?']);
        $this->post('/pellbrook/post/rules', ['mapping' => "Day: start_date\nIn words: start_date|words\nDeposit: fact.deposit"] + $rule)->assertSessionHasErrors('mapping');
        $this->written($this->document()->with('facts', ['deposit' => 'fifty pounds']));
        $this->post('/pellbrook/post/rules', ['mapping' => "Day: start_date\nIn words: start_date|words\nDeposit: fact.deposit"] + $rule)->assertSessionHasNoErrors();
        $this->held('live');
        self::assertSame([['Day' => '2026-03-11', 'In words' => 'Wednesday 11 March 2026', 'Deposit' => 'fifty pounds']], FileRow::query()->get()->pluck('cells')->all());
    }

    public function testWhatARehearsalCausesStaysOutOfRowsFiguresAndContacts(): void
    {
        $this->rule('row', ['mapping' => ['Name' => 'caller_name']]);
        $ref = $this->ring(['caller' => 'contact', 'contact' => (string) $this->contact->id])->json('ref');
        $this->happens((string) $ref, 1, 'said', 'I need a mini digger from next Tuesday for a fortnight from Tarn Bridge');
        $this->happens((string) $ref, 2, 'hung_up');
        self::assertSame([0, 0, 'oldmere'], [FileRow::query()->count(), ContactChange::query()->count(), $this->contact->refresh()->facts['depot']]);
        self::assertStringContainsString('not written to the file', json_encode(Delivery::query()->sole()->log, JSON_THROW_ON_ERROR));
        $this->get('/pellbrook')->assertOk()->assertSee('rehearsal')->assertSee('Today 0, on a usual day 0.0.');
    }

    public function testASecondPersonOnANumberMakesItSharedAndOneColumnIsOneColumn(): void
    {
        $this->column('postcode', 'Postcode');
        $this->upload("Name,Mobile,Post code,postcode\nNell Ashby,07700 900228,OL1 1AA,OL1 1AA\nTom Ashby,07700 900228,OL1 1AB,OL1 1AB\n");
        $import = ContactImport::query()->sole();
        self::assertSame(['Name' => 'name', 'Mobile' => 'phone', 'Post code' => 'column:postcode', 'postcode' => 'column:postcode'], $import->mapping);
        $this->post("/pellbrook/callers/imports/{$import->id}", ['go' => 'run', 'map' => array_values($import->mapping ?? [])])->assertRedirect();
        $tom = Contact::query()->where('name', 'Tom Ashby')->first();
        self::assertNotNull($tom, 'not dropped as already there');
        self::assertSame(2, ContactNumber::query()->where('e164', '+447700900228')->count());
        $this->get('/pellbrook/agents/maren/recognition?number=07700900228')->assertOk()->assertSee('A number several people share');
    }

    public function testCardsKeepTheirIdentifierAndEveryFact(): void
    {
        $this->column('depot', 'Depot');
        $this->contact->update(['uid' => 'card-17', 'facts' => ['depot' => 'oldmere'], 'do_not_call' => true]);
        $cards = $this->get('/pellbrook/callers/callers.vcf')->assertOk()->streamedContent();
        self::assertStringContainsString('UID:card-17', $cards);
        self::assertMatchesRegularExpression('/X-RINGO-FACT.*oldmere/', $cards);
        $this->contact->numbers()->delete();
        $this->contact->forceDelete();
        $this->upload($cards, 'cards.vcf');
        $import = ContactImport::query()->sole();
        $this->post("/pellbrook/callers/imports/{$import->id}", ['go' => 'run', 'map' => array_values($import->mapping ?? [])])->assertRedirect();
        $again = Contact::query()->sole();
        self::assertSame(['card-17', 'oldmere', true], [$again->uid, $again->facts['depot'] ?? null, (bool) $again->do_not_call]);
    }

    public function testTheWholeLineStaysBesideWhatWasHeardOfIt(): void
    {
        $ref = (string) $this->ring()->json('ref');
        $whole = (string) Call::query()->where('ref', $ref)->sole()->turns()->where('by', 'agent')->value('text');
        $this->postJson("/pellbrook/handset/{$ref}", ['kind' => 'interrupted', 'seconds' => 1.2, 'step' => 1])->assertOk();
        $turn = Call::query()->where('ref', $ref)->sole()->turns()->where('cut', true)->firstOrFail();
        self::assertSame($whole, $turn->whole);
        self::assertLessThan(strlen($whole), strlen($turn->text));
        $step = (int) Call::query()->where('ref', $ref)->value('step');
        $this->happens($ref, $step, 'hung_up');
        self::assertStringContainsString('cut_short', (string) $this->get("/pellbrook/calls/{$ref}/vcon.json")->assertOk()->getContent());
        self::assertStringContainsString('cut short', (string) $this->get("/pellbrook/calls/{$ref}/transcript.vtt")->assertOk()->getContent());
    }

    /** @param array<string, mixed> $more */
    private function rule(string $kind, array $more): void
    {
        DeliveryRule::query()->create($more + ['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => ucfirst($kind), 'kind' => $kind, 'to' => '', 'subject' => '', 'words' => '', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true]);
    }

    private function held(string $kind = 'rehearsal'): void
    {
        $ref = $kind === 'live' ? $this->ringLive() : (string) $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist');
        $this->happens($ref, 2, 'hung_up');
    }

    private function upload(string $text, string $name = 'list.csv'): void
    {
        $this->post('/pellbrook/callers/imports', ['file' => UploadedFile::fake()->createWithContent($name, $text)])->assertSessionHasNoErrors();
    }

    private function column(string $key, string $title): void
    {
        ContactColumn::query()->create(['business_id' => $this->business->id, 'key' => $key, 'title' => $title, 'type' => 'text']);
    }

    /** Puts a document in the place of the draft and of the release calls run on. */
    private function written(ScriptDocument $document): void
    {
        $text = ScriptText::of($this->agent, $document->toJson());
        $this->draft()->update(['script_text_id' => $text->id]);
        Release::query()->update(['script_text_id' => $text->id]);
    }

    private function draft(): Draft
    {
        return Draft::query()->where('agent_id', $this->agent->id)->with('scriptText')->sole();
    }

    private function document(): ScriptDocument
    {
        return $this->draft()->scriptText->document();
    }
}
