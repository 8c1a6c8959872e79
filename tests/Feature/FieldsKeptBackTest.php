<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Records\EraseOldValues;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\FileRow;
use App\Models\KnowledgeQuestion;
use App\Models\Offer;
use App\Models\Person;
use App\Models\RecordCheck;
use App\Models\RecordSheet;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\User;
use App\Support\Sight;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Transfers\Announcement;

/** Fields that only owners and designers see, and fields that are kept for some days only. */
final class FieldsKeptBackTest extends FeatureTestCase
{
    private Call $call;

    private User $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
        $this->keep(['caller_name' => ['x-sees' => 'owner'], 'start_date' => ['x-keep-days' => 30]]);
        $rule = ['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'subject' => '', 'words' => '', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true];
        DeliveryRule::query()->create(['name' => 'Planner', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/calls', 'mapping' => ['who' => 'caller_name', 'machine' => 'equipment', 'day' => 'start_date']] + $rule);
        DeliveryRule::query()->create(['name' => 'Rows', 'kind' => 'row', 'to' => '', 'mapping' => ['Name' => 'caller_name', 'Machine' => 'equipment', 'Day' => 'start_date', 'All' => 'summary', 'Who' => 'caller.name', 'To do' => 'next_actions']] + $rule);
        DeliveryRule::query()->create(['name' => 'Note', 'kind' => 'email', 'to' => 'boss@example.com', 'subject' => '[caller_name] called', 'words' => '[summary]'] + $rule);
        DeliveryRule::query()->create(['name' => 'Second note', 'kind' => 'text', 'to' => '07700 900500', 'words' => '[caller_name] wants [equipment]'] + $rule);
        $ref = $this->ringLive();
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist');
        $this->happens($ref, 2, 'hung_up');
        $this->call = Call::query()->where('ref', $ref)->firstOrFail();
        $this->staff = $this->user(Role::Staff);
    }

    /** @return array<string, array{string}> */
    public static function pages(): array
    {
        return [
            'board' => ['/pellbrook'], 'calls' => ['/pellbrook/calls'], 'call' => ['/pellbrook/calls/REF'], 'records' => ['/pellbrook/records?agent=maren&show=all'], 'post room' => ['/pellbrook/post'],
            'csv' => ['/pellbrook/calls/records.csv'], 'json lines' => ['/pellbrook/calls/records.jsonl'], 'csv of the call' => ['/pellbrook/calls/REF/record.csv'], 'json lines of the call' => ['/pellbrook/calls/REF/record.jsonl'],
            'vcon' => ['/pellbrook/calls/REF/vcon.json'], 'webvtt' => ['/pellbrook/calls/REF/transcript.vtt'], 'letter' => ['/pellbrook/post/deliveries/email'], 'web request' => ['/pellbrook/post/deliveries/web'], 'row' => ['/pellbrook/post/deliveries/row'], 'file' => ['/pellbrook/post/files/RULE.csv'],
        ];
    }

    #[DataProvider('pages')]
    public function testStaffSeeEverythingButWhatIsKeptBack(string $page): void
    {
        $page = str_replace(['REF', 'RULE'], [$this->call->ref, (string) DeliveryRule::query()->where('kind', 'row')->value('id')], $page);
        $page = (string) preg_replace_callback('~deliveries/(\w+)~', static fn (array $m): string => 'deliveries/'.Delivery::query()->where('kind', $m[1])->value('id'), $page);
        $whole = $this->read($this->get($page));
        $theirs = $this->read($this->actingAs($this->staff)->get($page));

        self::assertMatchesRegularExpression('/Rosa Lindqvist/', $whole, 'designers see it');
        self::assertDoesNotMatchRegularExpression('/Rosa|Lindqvist/', $theirs);
        if (! str_contains($page, '.vtt')) {
            self::assertMatchesRegularExpression('/cement.?mixer/i', $theirs, 'the rest is there');
        }
        self::assertSame('Rosa Lindqvist', CallRecord::query()->firstOrFail()->cells['caller_name']['value'], 'nothing was changed by looking');
    }

    public function testWhatIsKeptBackIsNeitherCheckedNorFoundByStaff(): void
    {
        $record = CallRecord::query()->firstOrFail();
        $this->actingAs($this->staff);
        $this->postJson("/pellbrook/records/{$record->id}", ['field' => 'caller_name', 'do' => 'accept'])->assertForbidden();
        $this->postJson("/pellbrook/records/{$record->id}", ['field' => 'caller_name', 'do' => 'correct', 'words' => 'Ann Lee'])->assertForbidden();
        $this->postJson("/pellbrook/records/{$record->id}", ['field' => 'equipment', 'do' => 'accept'])->assertOk();
        $this->post('/pellbrook/records/accept', ['agent' => 'maren', 'over' => '0.5', 'show' => 'all'])->assertRedirect();
        self::assertFalse(RecordCheck::query()->where('field', 'caller_name')->exists());
        $this->get('/pellbrook/calls?field=caller_name&value=Rosa')->assertSee('No call fits');
        $this->get('/pellbrook/calls?field=equipment&value=mixer')->assertDontSee('No call fits');
        $this->get('/pellbrook/records?agent=maren&show=all&q=Rosa')->assertSee('No record fits');
        $this->get('/pellbrook/records?agent=maren&show=all&q=mixer')->assertDontSee('No record fits');
        $this->get('/pellbrook/post?q=Lindqvist')->assertSee('Nothing fits');
        foreach (['q=Rosa', 'q=lindq', 'caller=Rosa', 'q=Rosa+mixer'] as $asked) {
            $this->get("/pellbrook/calls?{$asked}")->assertSee('No call fits');
            self::assertSame('', trim((string) $this->get("/pellbrook/calls/records.jsonl?{$asked}")->streamedContent()), $asked);
        }
        $this->get('/pellbrook/calls?q=mixer')->assertDontSee('No call fits');
        $this->actingAs($this->user(Role::Owner));
        $this->get('/pellbrook/calls?q=lindq')->assertDontSee('No call fits');
        $this->get('/pellbrook/calls?caller=Rosa')->assertDontSee('No call fits');
    }

    public function testARuleThatTellsStaffWhatTheyDoNotSeeSaysSo(): void
    {
        $rule = DeliveryRule::query()->where('kind', 'email')->firstOrFail();
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertDontSee('but this rule tells them');
        $rule->update(['to' => 'role:staff']);
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertSee('but this rule tells them');
        $rule->update(['subject' => 'A call', 'words' => 'About [equipment].']);
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertDontSee('but this rule tells them');
    }

    public function testWhoTakesATransferIsNotToldWhatIsKeptBack(): void
    {
        $script = $this->agent->refresh()->draft->scriptText->script();

        self::assertTrue($script->sheet->field('caller_name')?->ownersOnly);
        self::assertSame(['caller_name'], $script->sheet->ownersOnly());

        $lines = Announcement::lastLines(CallState::fromArray($this->call->state), $script->sheet);
        self::assertCount(1, $lines);
        self::assertStringNotContainsString('Rosa', $lines[0]);
        self::assertStringContainsString('my name is [kept back]', $lines[0]);
    }

    public function testTheDeskShowsCallsAsStaffSeeThem(): void
    {
        $person = Person::query()->create(['business_id' => $this->business->id, 'key' => 'bea', 'name' => 'Bea', 'presence' => 'available', 'user_id' => $this->staff->id]);
        $this->call->update(['state' => ['connected' => ['person' => 'bea', 'name' => 'Bea', 'after' => 3.0, 'target' => 'person:bea']] + $this->call->state]);
        $this->actingAs($this->staff);
        $this->get('/pellbrook/desk')->assertOk()->assertDontSee('Rosa')->assertSee('[kept back]');
        $this->actingAs(User::query()->where('email', 'designer@ringo.example')->firstOrFail());
        // A call that was taken: the words before that are shown without it, what is said since is heard anyway.
        $ref = $this->ringLive();
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow, my name is Rosa Lindqvist');
        $going = Call::query()->where('ref', $ref)->firstOrFail();
        $this->actingAs($this->staff);
        $this->get('/pellbrook/desk')->assertOk()->assertDontSee('Rosa');
        $going->update(['state' => ['connected' => ['person' => $person->key, 'name' => 'Bea', 'after' => 3.0, 'target' => 'person:bea'], 'mode' => 'connected'] + $going->state]);
        $this->get('/pellbrook/desk')->assertOk()->assertSee('with you')->assertDontSee('Rosa')->assertSee('mixer');
    }

    public function testWhatIsShownCannotBeKept(): void
    {
        $shown = Sight::of($this->staff, $this->business)->over($this->call->load('record', 'agent', 'turns'));
        self::assertStringNotContainsString('Rosa', (string) json_encode($shown->toArray()));
        self::assertStringContainsString('Rosa', (string) json_encode($this->call->toArray()), 'the model itself stays as it is');
        foreach ([$shown, $shown->record, $shown->turns->first()] as $copy) {
            try {
                $copy?->setAttribute('updated_at', now()->addDay())->save();
                self::fail('A copy was kept.');
            } catch (\LogicException $refused) {
                self::assertStringContainsString('is a copy', $refused->getMessage());
            }
        }
        $this->call->update(['staff_note' => 'The original is kept as ever.']);
        self::assertSame('Rosa Lindqvist', CallRecord::query()->firstOrFail()->cells['caller_name']['value']);
    }

    public function testValuesPastTheirDaysAreErasedWhereverTheyStand(): void
    {
        Delivery::query()->update(['state' => 'sent']);
        $this->call->update(['started_at' => now()->subDays(29)]);
        self::assertSame(0, app(EraseOldValues::class)->everywhere(), 'not before its time');
        $this->call->update(['started_at' => now()->subDays(31)]);
        $record = CallRecord::query()->firstOrFail();
        $this->postJson("/pellbrook/records/{$record->id}", ['field' => 'start_date', 'do' => 'accept'])->assertOk();
        $display = $record->cells['start_date']['display'];
        $offer = Offer::query()->create(['call_id' => $this->call->id, 'business_id' => $this->business->id, 'target' => 'person:ann', 'who' => 'ann', 'status' => 'missed', 'announcement' => ['said' => ["a mixer for {$display}"], 'record' => [$record->fields()['start_date']->title => $display]], 'rung_at' => now(), 'ends_at' => now()]);
        KnowledgeQuestion::query()->create(['business_id' => $this->business->id, 'call_id' => $this->call->id, 'question' => 'are you open tomorrow?', 'why' => 'nothing', 'state' => 'open']);
        self::assertSame(1, app(EraseOldValues::class)->everywhere());
        self::assertSame(['said' => ['a mixer for '.EraseOldValues::SIGN], 'record' => []], $offer->refresh()->announcement);
        self::assertSame('are you open '.EraseOldValues::SIGN.'?', KnowledgeQuestion::query()->where('call_id', $this->call->id)->value('question'));
        self::assertSame(0, app(EraseOldValues::class)->everywhere());
        $record->refresh();

        self::assertArrayNotHasKey('start_date', $record->cells);
        self::assertArrayHasKey('equipment', $record->cells);
        self::assertStringNotContainsString($display, $record->summary);
        $this->call->load('turns', 'steps')->refresh();
        $words = $this->call->turns->pluck('text')->implode("\n");
        self::assertStringContainsString('cement mixer '.EraseOldValues::SIGN, $words);
        foreach (['tomorrow', '2026-03-11', $display] as $trace) {
            self::assertStringNotContainsStringIgnoringCase($trace, $words);
            self::assertStringNotContainsStringIgnoringCase($trace, json_encode([$this->call->state['values'], $this->call->steps->toArray()], JSON_THROW_ON_ERROR));
            self::assertStringNotContainsStringIgnoringCase($trace, json_encode(Delivery::query()->get(['to', 'subject', 'body'])->toArray(), JSON_THROW_ON_ERROR));
        }
        $cells = FileRow::query()->firstOrFail()->cells;
        self::assertSame(['Name' => 'Rosa Lindqvist', 'Machine' => 'Cement mixer', 'Day' => ''], array_intersect_key($cells, ['Name' => 1, 'Machine' => 1, 'Day' => 1]));
        self::assertStringContainsString(EraseOldValues::SIGN, $cells['All']);
        self::assertSame(['accepted', null, null], array_values(RecordCheck::query()->firstOrFail(['verdict', 'was', 'is'])->toArray()), 'the figures keep the verdict, not the value');
        $this->get('/pellbrook/calls?q=tomorrow')->assertSee('No call fits');
        $this->get('/pellbrook/calls?q=mixer')->assertDontSee('No call fits');
    }

    public function testWhatIsStillToBeSentIsNotErasedBefore(): void
    {
        Delivery::query()->where('kind', 'email')->update(['state' => 'waiting', 'due_at' => now()->addDays(3)]);
        Delivery::query()->where('kind', '!=', 'email')->update(['state' => 'sent']);
        $this->call->update(['started_at' => now()->subDays(31)]);
        self::assertSame(0, app(EraseOldValues::class)->everywhere());
        Delivery::query()->update(['state' => 'sent']);
        self::assertSame(1, app(EraseOldValues::class)->everywhere());
    }

    public function testAFurtherSheetIsChosenByWhatTheCallWasAbout(): void
    {
        $this->get('/pellbrook/agents/maren/sheet?sheet=')->assertOk();
        $this->post('/pellbrook/agents/maren/sheets', ['name' => 'Hire'])->assertRedirect();
        $topic = array_key_first(\Ringo\Extraction\CallTopic::all($this->agent->refresh()->draft->scriptText->script()));
        $this->get('/pellbrook/agents/maren/sheet?sheet=hire')->assertOk()->assertSee('name="topics[]" value="'.$topic.'"', false);
        $this->put('/pellbrook/agents/maren/sheet', ['sheet' => 'hire', 'ticks' => '1', 'topics' => [$topic], 'fields' => [['title' => 'Hired before', 'kind' => 'yes-no', 'description' => 'existing customer', 'sees' => 'owner']]])->assertRedirect();
        self::assertSame([[], [$topic]], [RecordSheet::query()->firstOrFail()->outcomes, RecordSheet::query()->firstOrFail()->topics]);
        $about = (string) $this->ring()->json('ref');
        $this->happens($about, 1, 'said', 'I have used you before and I would like to hire a cement mixer');
        $this->happens($about, 2, 'hung_up');
        $other = (string) $this->ring()->json('ref');
        $this->happens($other, 1, 'said', 'I have used you before, the generator has broken down');
        $this->happens($other, 2, 'hung_up');
        $sheets = CallRecord::query()->whereHas('call', static fn ($call) => $call->whereIn('ref', [$about, $other]))->orderBy('id')->get();

        self::assertSame([RecordSheet::query()->value('id'), null], $sheets->pluck('record_sheet_id')->all());
        $this->get("/pellbrook/calls/{$about}")->assertSee('Hired before')->assertDontSee('for owners and designers');
        $this->actingAs($this->staff)->get("/pellbrook/calls/{$about}")->assertSee('for owners and designers')->assertDontSee('used you before');
    }

    public function testSheetsSayWhatIsWrongWithTheirPolicies(): void
    {
        $schema = ['type' => 'object', 'properties' => ['a' => ['type' => 'string', 'x-sees' => 'nobody'], 'b' => ['type' => 'string', 'x-keep-days' => 'long']]];
        $this->from('/x')->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'json' => json_encode($schema)])->assertSessionHasErrors(['fields' => 'properties.a.x-sees: is “owner” (owners and designers only) or “staff” (all of the business)']);
    }

    /** @param array<string, array<string, mixed>> $policies of fields of the main sheet */
    private function keep(array $policies): void
    {
        $script = json_decode((string) file_get_contents(database_path('demo/pellbrook/maren.json')), true, 512, JSON_THROW_ON_ERROR);
        foreach ($policies as $field => $policy) {
            $script['sheet']['properties'][$field] = [...$script['sheet']['properties'][$field], ...$policy];
        }
        $text = ScriptText::of($this->agent, json_encode($script, JSON_THROW_ON_ERROR));
        $this->agent->draft->update(['script_text_id' => $text->id, 'version' => 2]);
        $this->agent->releases()->update(['script_text_id' => $text->id]);
    }

    /** @param TestResponse<\Symfony\Component\HttpFoundation\Response> $answer */
    private function read(TestResponse $answer): string
    {
        $answer->assertOk();

        return $answer->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse ? $answer->streamedContent() : (string) $answer->getContent();
    }
}
