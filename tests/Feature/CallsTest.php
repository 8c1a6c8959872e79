<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\ImportTranscripts;
use App\Models\Call;
use App\Models\CallImport;
use App\Models\Role;
use App\Models\ScriptText;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;

final class CallsTest extends FeatureTestCase
{
    private string $ref;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
        $this->ref = (string) $this->ring()->json('ref');
        $this->happens($this->ref, 1, 'said', 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist');
        $this->happens($this->ref, 2, 'hung_up');
    }

    public function testFindsCallsByWordsNameNumberAndOutcome(): void
    {
        foreach (['q=mixer', 'q=lindq', 'q=07700+900199', 'q=hire+cement', 'outcome=caller+hung+up', 'q='] as $query) {
            $this->get('/pellbrook/calls?'.$query)->assertOk()->assertSee('Rosa Lindqvist');
        }
        foreach (['q=telehandler', 'q=07700+900777', 'outcome=finished', 'check=1&q=telehandler'] as $query) {
            $this->get('/pellbrook/calls?'.$query)->assertOk()->assertDontSee('Rosa Lindqvist')->assertSee('No call fits');
        }
        $this->getJson('/pellbrook/calls?sort=colour')->assertStatus(422);
    }

    public function testExportsWhatIsShown(): void
    {
        $csv = $this->get('/pellbrook/calls/records.csv?q=mixer')->assertOk()->streamedContent();
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''), explode("\r\n", trim($csv)));
        $row = array_combine(array_map(strval(...), $lines[0]), $lines[1]);
        self::assertCount(2, $lines);
        self::assertSame('Rosa Lindqvist', $row['caller_name']);
        self::assertSame('2026-03-11', $row['start_date']);
        self::assertSame('P3D', $row['hire_length']);
        self::assertSame('', $row['depot']);
        self::assertCount(1, explode("\r\n", trim($this->get('/pellbrook/calls/records.csv?q=telehandler')->streamedContent())));

        $json = json_decode(trim($this->get("/pellbrook/calls/{$this->ref}/record.jsonl")->streamedContent()), true);
        self::assertSame('cement_mixer', $json['record']['equipment']);
        self::assertSame(['turn' => 1, 'said' => 'tomorrow', 'confidence' => $json['evidence']['start_date']['confidence']], $json['evidence']['start_date']);
    }

    public function testExportsTheCallAsVconAndWebVtt(): void
    {
        $vcon = $this->get("/pellbrook/calls/{$this->ref}/vcon.json")->assertOk()->assertHeader('Content-Type', 'application/vcon+json')->json();
        self::assertSame('+447700900199', $vcon['parties'][1]['tel']);
        self::assertSame('Rosa Lindqvist', $vcon['parties'][1]['name']);
        self::assertStringContainsString('cement mixer', $vcon['dialog'][1]['body']);
        self::assertStringStartsWith('WEBVTT', (string) $this->get("/pellbrook/calls/{$this->ref}/transcript.vtt")->assertOk()->getContent());
    }

    public function testADeletedCallCanBeBroughtBackWhole(): void
    {
        $this->delete("/pellbrook/calls/{$this->ref}")->assertRedirect('/pellbrook/calls');
        $this->get('/pellbrook/calls')->assertOk()->assertSee('Undo')->assertDontSee("/calls/{$this->ref}\"", false);
        $this->post("/pellbrook/calls/{$this->ref}/restore")->assertRedirect();

        $call = Call::query()->where('ref', $this->ref)->sole();
        self::assertSame(3, $call->turns()->count());
        self::assertSame('cement_mixer', $call->record?->cells['equipment']['value']);
    }

    public function testStaffReadCallsButDoNotDeleteThem(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $this->get("/pellbrook/calls/{$this->ref}")->assertOk()->assertDontSee('Delete')->assertDontSee('Ring it');
        $this->delete("/pellbrook/calls/{$this->ref}")->assertForbidden();
    }

    public function testThePromptBookShowsEveryStepInFull(): void
    {
        $page = $this->get('/pellbrook/agents/maren/prompt-book')->assertOk();
        foreach ($this->agent->draft->scriptText->script()->steps as $key => $step) {
            $page->assertSee('id="step-'.$key.'"', false);
        }
        $page->assertSee('What is the hire number?')->assertSee('urgent, from anywhere')->assertSee('if delivery is yes');
    }

    public function testReplaysTheCallersLinesAgainstTheDraftAndShowsWhatDiffers(): void
    {
        $this->get("/pellbrook/calls/{$this->ref}/replay")->assertOk()->assertSee('Nothing differs');

        $document = json_decode($this->agent->draft->scriptText->document, true);
        $document['steps'][1]['prompt'] = 'How may I help?';
        $document['sheet']['properties']['equipment']['enum'] = ['mini_digger', 'large_digger'];
        $document['sheet']['properties']['hire_length']['title'] = 'Time on hire';
        $this->agent->draft->update(['script_text_id' => ScriptText::of($this->agent, json_encode($document, JSON_THROW_ON_ERROR))->id]);
        $this->get("/pellbrook/calls/{$this->ref}/replay")->assertOk()->assertSee('How may I help?')->assertSee('Cement mixer')->assertSee('empty')->assertSee('lines differ');
        self::assertSame(1, Call::query()->count(), 'a replay stores nothing');
    }

    public function testUnknownCallsAndPagesSayWhatHappened(): void
    {
        $this->get('/pellbrook/calls/nope')->assertNotFound()->assertSee('There is nothing here');
    }

    public function testACallThatWasBroughtInIsBroughtInOnceAndCanBeReplayed(): void
    {
        $line = static fn (string $id, string $started, string $said): string => (string) json_encode(['id' => $id, 'started_at' => $started, 'from' => '+447700900123', 'turns' => [['by' => 'agent', 'text' => 'Hello'], ['by' => 'caller', 'text' => $said]]]);
        $file = implode("\n", [$line('a', '2026-03-10T09:14', 'I need a mini digger'), $line('b', '2026-03-10T09:20', 'a generator please'), $line('c', '0000-00-00T00:00', 'nobody knows when'), $line('d', '2026-02-31', 'nor this')]);
        $bring = fn () => $this->post('/pellbrook/calls/import', ['agent' => 'maren', 'file' => UploadedFile::fake()->createWithContent('calls.jsonl', $file)]);
        $bring();
        $told = (string) session('notice');
        self::assertStringContainsString('2 transcripts were brought in', $told);
        self::assertStringContainsString('started_at', $told, 'what was left out is told');
        $bring();
        self::assertStringContainsString('nothing was doubled', (string) session('notice'));
        self::assertSame(2, Call::query()->where('kind', 'imported')->count());
        $this->get('/pellbrook/calls/'.Call::query()->where('kind', 'imported')->orderBy('id')->value('ref').'/replay')->assertOk()->assertSee('I need a mini digger');
    }

    public function testALongFileGoesOnWhereItWasAndEndsWithTrueCounts(): void
    {
        $lines = array_map(static fn (int $n): string => (string) json_encode(['id' => "n{$n}", 'started_at' => '2026-03-10T09:14', 'turns' => $n === 3 ? 'none' : [['by' => 'agent', 'text' => 'Hello'], ['by' => 'caller', 'text' => "machine number {$n}"]]]), range(1, 8));
        $bring = app(ImportTranscripts::class);
        $import = $bring->begin($this->agent->refresh(), implode("\n", $lines));
        self::assertSame(8, $import->total);
        self::assertTrue($bring->goOn(CallImport::query()->with('agent')->findOrFail($import->id), -1.0), 'no time: there is more');
        // Somebody died in the middle: three were done.
        $half = CallImport::query()->with('agent')->findOrFail($import->id);
        $half->update(['total' => 3]);
        $bring->goOn($half, 60.0);
        $half->update(['status' => 'running', 'total' => 8, 'path' => tap('call-imports/again.json', static fn (string $path) => Storage::disk('local')->put($path, implode("\n", $lines)))]);
        $this->travel(2)->minutes();
        $bring->takeUp();
        $import->refresh();
        self::assertSame(['done', 8, 7, 0, 1], [$import->status, $import->done, $import->made, $import->there, count($import->problems)]);
        self::assertStringContainsString('Transcript 3', $import->problems[0]);
        self::assertSame(7, Call::query()->where('kind', 'imported')->count());
        $this->getJson("/pellbrook/calls/imports/{$import->id}")->assertOk()->assertExactJson(['status' => 'done', 'done' => 8, 'total' => 8]);
    }
}
