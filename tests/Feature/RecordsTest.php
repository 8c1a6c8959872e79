<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\CallRecord;
use App\Models\ReadingAgain;
use App\Models\RecordCheck;
use App\Models\RecordSheet;
use App\Models\Role;
use App\Support\FieldFigures;
use Illuminate\Http\UploadedFile;

final class RecordsTest extends FeatureTestCase
{
    private Call $call;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
        $ref = (string) $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist');
        $this->happens($ref, 2, 'hung_up');
        $this->call = Call::query()->where('ref', $ref)->firstOrFail();
    }

    public function testTheGridShowsWhatIsToBeChecked(): void
    {
        $this->get('/pellbrook/records?agent=maren&show=all')->assertOk()->assertSee('Rosa Lindqvist')->assertSee('data-cell="start_date"', false)->assertSee('to check');
        $this->get('/pellbrook/records?agent=maren&show=all&q=nothing-like-it')->assertOk()->assertSee('No record fits');
        $this->getJson('/pellbrook/records?show=odd')->assertStatus(422);
    }

    public function testWhatPeopleFindIsKeptAsTruth(): void
    {
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();
        $this->decide($record, 'caller_name', 'accept')->assertOk()->assertJson(['state' => 'checked']);
        $this->decide($record, 'start_date', 'correct', 'next Friday')->assertOk()->assertJson(['display' => 'Friday 20 March 2026']);
        $this->decide($record, 'equipment', 'correct', 'mini digger')->assertOk();
        $this->decide($record, 'depot', 'correct', 'Oldmere')->assertOk();
        $this->decide($record, 'hire_length', 'empty')->assertOk()->assertJson(['state' => 'none']);

        $record->refresh();
        self::assertSame(['2026-03-20', 'mini_digger', 'oldmere'], [$record->cells['start_date']['value'], $record->cells['equipment']['value'], $record->cells['depot']['value']]);
        self::assertArrayNotHasKey('hire_length', $record->cells);
        self::assertSame(['accepted', 'corrected', 'corrected', 'added', 'emptied'], RecordCheck::query()->orderBy('id')->pluck('verdict')->all());

        $figures = (new FieldFigures)->of($this->agent->refresh());
        self::assertSame(['right' => 1, 'given' => 1, 'due' => 1], $figures['fields']['caller_name'][0]);
        self::assertSame(['right' => 0, 'given' => 1, 'due' => 1], $figures['fields']['start_date'][0]);
        self::assertSame(['right' => 0, 'given' => 0, 'due' => 1], $figures['fields']['depot'][0], 'what was missed counts against recall');
        self::assertSame(['right' => 0, 'given' => 1, 'due' => 0], $figures['fields']['hire_length'][0], 'what was invented counts against precision');
    }

    public function testWordsThatAreNoValueAreRefusedAndNothingIsLost(): void
    {
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();
        $before = $record->cells['start_date'];
        $this->decide($record, 'start_date', 'correct', 'blue')->assertStatus(422)->assertJsonPath('message', fn (string $words): bool => str_contains($words, 'cannot be read as date'));
        $this->decide($record, 'start_date', 'correct', '')->assertStatus(422);
        $this->decide($record, 'colour', 'correct', 'red')->assertStatus(422);

        self::assertSame($before, $record->refresh()->cells['start_date']);
    }

    public function testASecondLookDoesNotChangeHowTheFirstReadingIsJudged(): void
    {
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();
        $this->decide($record, 'start_date', 'correct', 'next Friday');
        $this->decide($record, 'start_date', 'accept');

        self::assertSame(['corrected'], RecordCheck::query()->pluck('verdict')->all());
    }

    public function testManyAreAcceptedAtOnceOverAConfidence(): void
    {
        $this->post('/pellbrook/records/accept', ['agent' => 'maren', 'over' => '0.5', 'show' => 'all'])->assertRedirect();
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();

        self::assertSame(count($record->cells), RecordCheck::query()->where('verdict', 'accepted')->count());
        $this->postJson('/pellbrook/records/accept', ['agent' => 'maren', 'over' => '3'])->assertStatus(422);
    }

    public function testTheSheetIsEditedAsAPageOfFields(): void
    {
        $this->get('/pellbrook/agents/maren/sheet')->assertOk()->assertSee('value="Telephone"', false);
        $rows = [['key' => 'caller_name', 'title' => 'Name', 'kind' => 'person-name', 'required' => '1'], ['key' => 'phone', 'title' => 'Telephone', 'kind' => 'phone'], ['title' => 'How they found us', 'kind' => 'choice', 'choices' => [['key' => 'web', 'label' => 'the web site', 'phrases' => 'internet, online', 'facts' => 'costs: 2; of: us'], ['label' => 'friend', 'phrases' => 'recommended'], ['key' => '', 'label' => '']]]];
        $all = array_merge($this->rows(), [$rows[2]]);
        $this->put('/pellbrook/agents/maren/sheet', ['version' => 1, 'fields' => $all])->assertRedirect();
        $sheet = $this->agent->refresh()->draft->refresh()->scriptText->script()->sheet;

        self::assertSame([['key' => 'web', 'label' => 'the web site', 'phrases' => ['internet', 'online']], ['key' => 'friend', 'label' => 'friend', 'phrases' => ['recommended']]], $sheet->field('how_they_found_us')?->options);
        self::assertSame(['web' => ['costs' => '2', 'of' => 'us']], $sheet->field('how_they_found_us')->facts, 'facts of a choice, for prompts');
        $this->get('/pellbrook/agents/maren/sheet')->assertOk()->assertSee('value="costs: 2; of: us"', false);
        self::assertSame(2, $this->agent->draft->version);
        $this->from('/pellbrook/agents/maren/sheet')->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'fields' => [...$all, ['title' => 'Pick one', 'kind' => 'choice']]])->assertSessionHasErrors('fields');
    }

    public function testFurtherSheetsAreFilledAfterTheirOutcomesAndKeepTheirVersions(): void
    {
        $this->post('/pellbrook/agents/maren/sheets', ['name' => 'Site visit'])->assertRedirect();
        $this->put('/pellbrook/agents/maren/sheet', ['sheet' => 'site_visit', 'outcomes' => ['caller hung up'], 'fields' => [['title' => 'Hired before', 'kind' => 'yes-no', 'description' => 'existing customer']]])->assertRedirect();
        $ref = (string) $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'Hello, I have used you before, I want to hire a generator');
        $this->happens($ref, 2, 'hung_up');
        $record = CallRecord::query()->whereHas('call', static fn ($call) => $call->where('ref', $ref))->firstOrFail();

        self::assertSame(['site_visit', 2, true], [RecordSheet::query()->find($record->record_sheet_id)?->getAttribute('key'), $record->sheet_version, $record->cells['hired_before']['value'] ?? null]);
        $this->put('/pellbrook/agents/maren/sheet', ['sheet' => 'site_visit', 'fields' => [['title' => 'Another', 'kind' => 'text']]])->assertRedirect();
        self::assertSame(3, RecordSheet::query()->firstOrFail()->version);
        self::assertCount(2, RecordSheet::query()->firstOrFail()->versions()->get());
        self::assertTrue($record->refresh()->cells['hired_before']['value'], 'older records stay readable');
    }

    public function testAFieldTakesSeveralOfAList(): void
    {
        $rows = [...$this->rows(), ['title' => 'Extras', 'kind' => 'several', 'choices' => [['key' => 'trailer'], ['key' => 'bucket', 'label' => 'digging bucket', 'phrases' => 'scoop'], ['key' => 'ramps']]]];
        $this->put('/pellbrook/agents/maren/sheet', ['version' => 1, 'fields' => $rows])->assertRedirect();
        $field = $this->agent->refresh()->draft->refresh()->scriptText->script()->sheet->field('extras');
        self::assertSame(['several', ['trailer', 'bucket', 'ramps'], ['scoop']], [$field?->type->value, array_column($field->options ?? [], 'key'), $field?->options[1]['phrases']]);
        $this->get('/pellbrook/agents/maren/sheet')->assertOk()->assertSee('value="digging bucket"', false)->assertSee('value="scoop"', false);
        $this->from('/pellbrook/agents/maren/sheet')->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'fields' => [...$this->rows(), ['title' => 'None', 'kind' => 'several']]])->assertSessionHasErrors('fields');

        // What is no list of rows is told, and the page stands with what was written.
        $this->from('/pellbrook/agents/maren/sheet')->followingRedirects()->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'fields' => [...$this->rows(), ['title' => 'Odd', 'kind' => 'choice', 'choices' => 'a string'], ['title' => 'Odder', 'kind' => 'choice', 'choices' => ['no row']]]])->assertOk()->assertSee('needs choices')->assertSee('value="Odder"', false);

        $this->post('/pellbrook/agents/maren/sheets', ['name' => 'Extras'])->assertRedirect();
        $this->put('/pellbrook/agents/maren/sheet', ['sheet' => 'extras', 'outcomes' => ['caller hung up'], 'fields' => [end($rows)]])->assertRedirect();
        $ref = (string) $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'I want to hire a mini digger with a trailer and the ramps please');
        $this->happens($ref, 2, 'hung_up');
        $record = CallRecord::query()->whereHas('call', static fn ($call) => $call->where('ref', $ref))->firstOrFail();
        $this->decide($record, 'extras', 'correct', 'Ramps, digging bucket')->assertOk()->assertJson(['display' => 'Digging bucket, ramps']);
        self::assertSame(['bucket', 'ramps'], $record->refresh()->cells['extras']['value']);
        $this->decide($record, 'extras', 'correct', 'wheelbarrow')->assertStatus(422)->assertJsonPath('message', '“wheelbarrow” is not among the choices; they are trailer, digging bucket, ramps.');
    }

    public function testPastCallsAreReadAgainAndOnlyChangedWhenToldTo(): void
    {
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();
        $this->decide($record, 'caller_name', 'correct', 'Rosa Lind');
        $this->put('/pellbrook/agents/maren/sheet', ['version' => 1, 'fields' => [...$this->rows(), ['title' => 'Kind of machine', 'key' => 'kind_of_machine', 'kind' => 'choice', 'choices' => [['key' => 'mixing', 'phrases' => 'cement mixer'], ['key' => 'digging', 'phrases' => 'digger']]]]])->assertRedirect();
        $this->post('/pellbrook/agents/maren/readings-again', [])->assertRedirect();
        $again = ReadingAgain::query()->firstOrFail();
        self::assertSame(['ready', 1], [$again->status, $again->done]);
        $row = $again->rows()->firstOrFail();
        self::assertSame(['was' => '', 'is' => 'Mixing'], $row->changes['kind_of_machine'] ?? null);
        self::assertArrayNotHasKey('caller_name', $row->changes, 'what a person checked is left alone');
        self::assertArrayNotHasKey('kind_of_machine', $record->refresh()->cells, 'nothing is changed yet');
        $this->get("/pellbrook/agents/maren/readings-again/{$again->id}")->assertOk()->assertSee('Kind of machine')->assertSee('nothing has been changed yet');
        $this->getJson("/pellbrook/agents/maren/readings-again/{$again->id}")->assertJson(['status' => 'ready', 'total' => 1]);

        $this->post("/pellbrook/agents/maren/readings-again/{$again->id}/apply")->assertRedirect();
        self::assertSame(['mixing', 'Rosa Lind'], [$record->refresh()->cells['kind_of_machine']['value'], $record->cells['caller_name']['value']]);
        $this->post("/pellbrook/agents/maren/readings-again/{$again->id}/apply")->assertNotFound();
    }

    public function testSheetsGoOutAndComeInAsJsonSchema(): void
    {
        $schema = $this->get('/pellbrook/agents/maren/sheet.json')->assertOk()->assertHeader('Content-Type', 'application/schema+json')->json();
        self::assertSame('https://json-schema.org/draft/2020-12/schema', $schema['$schema']);
        $schema['properties']['more'] = ['type' => 'string', 'format' => 'email', 'title' => 'More'];
        $this->put('/pellbrook/agents/maren/sheet', ['version' => 1, 'json' => json_encode($schema)])->assertRedirect();
        self::assertSame('email', $this->agent->refresh()->draft->refresh()->scriptText->script()->sheet->field('more')?->type->value);
        $this->from('/x')->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'json' => '{"properties": {"a": {"format": "colour"}}'])->assertSessionHasErrors('fields');
        $this->from('/x')->put('/pellbrook/agents/maren/sheet', ['version' => 2, 'json' => '{"properties": {"A B": {}}}'])->assertSessionHasErrors('fields');
    }

    public function testTranscriptsFromElsewhereAreBroughtInAndRead(): void
    {
        $good = json_encode(['id' => 'x1', 'started_at' => '2026-03-09T10:00', 'from' => '+447700900321', 'turns' => [['by' => 'staff', 'text' => 'Pellbrook, how can I help?'], ['by' => 'caller', 'text' => 'Hello, this is Ines Corbet, I need a generator on Friday']]]);
        $this->post('/pellbrook/calls/import', ['file' => UploadedFile::fake()->createWithContent('old.jsonl', "{$good}\nnot json\n{\"turns\": []}\n{\"turns\": [{\"by\": \"nobody\", \"text\": \"x\"}]}\n")])->assertRedirect()->assertSessionHas('notice', fn (string $words): bool => str_contains($words, '2 transcripts') && str_contains($words, 'Transcript 2'));
        $call = Call::query()->where('kind', 'imported')->where('from', '+447700900321')->firstOrFail();

        self::assertSame(['Ines Corbet', 'generator', '2026-03-13'], [$call->record?->cells['caller_name']['value'], $call->record?->cells['equipment']['value'], $call->record?->cells['start_date']['value']]);
        self::assertSame(0, $call->deliveries()->count(), 'nothing is sent for old calls');
        $this->get("/pellbrook/calls/{$call->ref}")->assertOk()->assertSee('Ines Corbet');
        $this->from('/pellbrook/calls')->post('/pellbrook/calls/import', ['file' => UploadedFile::fake()->createWithContent('bad.json', 'nothing')])->assertSessionHasErrors('file');
    }

    public function testCallsAreFilteredByWhatTheyLeftAndFiltersAreKept(): void
    {
        foreach (['field=equipment&value=mixer', 'agent=maren', 'release=draft', 'kind=rehearsal', 'caller=lindq', 'caller=07700+900199', 'shorter=10', 'since=2026-03-10&until=2026-03-10'] as $query) {
            $this->get('/pellbrook/calls?'.$query)->assertOk()->assertSee('Rosa Lindqvist');
        }
        foreach (['field=equipment&value=digger', 'release=1', 'kind=live', 'caller=somebody', 'longer=60', 'since=2026-03-11', 'until=2026-03-09'] as $query) {
            $this->get('/pellbrook/calls?'.$query)->assertOk()->assertSee('No call fits');
        }
        $this->post('/pellbrook/calls/filters', ['name' => 'Mixers', 'field' => 'equipment', 'value' => 'mixer'])->assertRedirect();
        $this->get('/pellbrook/calls')->assertSee('Mixers');
        $this->getJson('/pellbrook/calls?field=a%27b')->assertStatus(422);
    }

    public function testOldCallsAreErasedWithAllThatIsFoundByThem(): void
    {
        $this->call->update(['started_at' => now()->subDays(40)]);
        $this->put('/pellbrook/calls/keep', ['keep_days' => '30'])->assertRedirect()->assertSessionHas('notice', fn (string $words): bool => str_contains($words, '1 older'));

        self::assertNull(Call::withTrashed()->find($this->call->id));
        self::assertSame(0, CallRecord::query()->count());
        $this->get('/pellbrook/calls?q=mixer')->assertSee('No call fits');
    }

    public function testStaffCheckRecordsButDoNotChangeSheets(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $record = CallRecord::query()->where('call_id', $this->call->id)->firstOrFail();
        $this->get('/pellbrook/records?agent=maren')->assertOk();
        $this->decide($record, 'caller_name', 'accept')->assertOk();
        $this->get('/pellbrook/agents/maren/sheet')->assertForbidden();
        $this->post('/pellbrook/agents/maren/readings-again')->assertForbidden();
        $this->put('/pellbrook/calls/keep', ['keep_days' => '1'])->assertForbidden();
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function decide(CallRecord $record, string $field, string $do, ?string $words = null): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/pellbrook/records/{$record->id}", ['field' => $field, 'do' => $do, 'words' => $words]);
    }

    /** @return list<array<string, mixed>> the fields of the page as they are */
    private function rows(): array
    {
        return array_map(static fn (array $row): array => ['required' => $row['required'] ? '1' : ''] + $row, (new \App\Support\SheetForm)->rows($this->agent->draft->scriptText->script()->sheet->toArray()));
    }
}
