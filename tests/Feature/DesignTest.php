<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Diary\BringDiaries;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Call;
use App\Models\Draft;
use App\Models\Release;
use App\Support\Starters;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Inspector;

/** Designing over HTTP: drafts, releases, starters, exchange and recordings. */
final class DesignTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
    }

    public function testEveryStarterMakesAnAgentWhoseOnlyErrorsAreItsBlanks(): void
    {
        $starters = new Starters;
        self::assertGreaterThanOrEqual(8, count($starters->all()));
        foreach ($starters->all() as $starter) {
            $this->get("/pellbrook/agents/starters/{$starter['key']}")->assertOk()->assertSee($starter['title']);
            $this->post('/pellbrook/agents', ['from' => 'starter', 'starter' => $starter['key'], 'name' => 'New '.$starter['key']])->assertRedirect();
            $made = Agent::query()->where('name', 'New '.$starter['key'])->with('draft.scriptText')->firstOrFail();
            $findings = (new Inspector)->inspect($made->draft->scriptText->document());
            self::assertSame(['leftover'], array_values(array_unique(array_map(static fn (Finding $one): string => $one->rule, array_filter($findings, Inspector::blocks(...))))), $starter['key']);
            self::assertSame([], array_filter((new Inspector)->inspect($starters->filled($starter['key'])), static fn (Finding $one): bool => Inspector::blocks($one) && $one->rule !== 'leftover' || str_contains($one->message, '{')));
            self::assertStringContainsString('Pellbrook Hire', $made->draft->scriptText->document);
            $call = $starters->sampleCall($starter['key']);
            self::assertNotSame('caller hung up', $call->state->outcome, $starter['key']);
            self::assertSame(0, $call->unused, $starter['key']);
        }
    }

    public function testErrorsBlockAReleaseWarningsAskAndAReleaseIsFrozen(): void
    {
        app(BringDiaries::class)->bring($this->business, json_decode((string) file_get_contents(database_path('demo/pellbrook/diaries.json')), true));
        $this->put('/pellbrook/agents/maren/prompt-book/steps/goodbye', ['version' => 1, 'key' => 'goodbye', 'prompt' => ['{last words}']])->assertOk();
        $this->post('/pellbrook/agents/maren/releases', ['version' => 2])->assertSessionHasErrors('version');
        $this->put('/pellbrook/agents/maren/prompt-book/steps/goodbye', ['version' => 2, 'key' => 'goodbye', 'prompt' => ['Goodbye & thanks.']])->assertOk();
        $this->post('/pellbrook/agents/maren/releases', ['version' => 3])->assertSessionHasErrors('accept');
        $this->post('/pellbrook/agents/maren/releases', ['version' => 2, 'accept' => '1'])->assertSessionHasErrors('version');
        $this->post('/pellbrook/agents/maren/releases', ['version' => 3, 'accept' => '1', 'note' => 'Shorter goodbye'])->assertRedirect();
        $release = Release::query()->where('number', 2)->firstOrFail();
        self::assertSame(['Step goodbye changed: says'], array_column($release->changes ?? [], 'words'));
        self::assertCount(1, $release->accepted ?? []);
        self::assertSame('Maren, release 2', AuditEntry::query()->where('did', 'release')->value('words'));

        // The next edit changes the draft and leaves the release.
        $this->put('/pellbrook/agents/maren/prompt-book/steps/goodbye', ['version' => 3, 'key' => 'goodbye', 'prompt' => ['Bye.']])->assertOk()->assertJsonPath('state', 'Draft, 1 change since release 2');
        self::assertStringContainsString('Goodbye & thanks.', $release->fresh()->scriptText->document ?? '');
        $this->post('/pellbrook/agents/maren/releases/1/again', ['draft' => '1'])->assertRedirect();
        self::assertSame(Release::query()->where('number', 1)->value('script_text_id'), Draft::query()->where('agent_id', $this->agent->id)->value('script_text_id'));
        self::assertSame(1, Release::query()->where('number', 3)->value('again_of'));
    }

    public function testAStepThatCannotBeUsedIsNotKeptAndSaysWhy(): void
    {
        $this->put('/pellbrook/agents/maren/prompt-book/steps/depot', ['version' => 1, 'key' => 'Depot!', 'prompt' => ['Which depot?'], 'field' => 'depot', 'next' => 'delivery'])->assertStatus(422)->assertJsonPath('problems.0', '“Depot!” is no step name; use lower-case letters, digits and underscores, beginning with a letter.');
        $this->put('/pellbrook/agents/maren/prompt-book/steps/depot', ['version' => 1, 'key' => 'depot', 'prompt' => [''], 'field' => 'depot', 'next' => 'nowhere'])->assertStatus(422);
        $this->put('/pellbrook/agents/maren/prompt-book/steps/depot', ['version' => 1, 'key' => ['x' => ['y']], 'prompt' => 'a', 'options' => 'b', 'way_out' => 7])->assertStatus(422);
        self::assertSame(1, (int) Draft::query()->where('agent_id', $this->agent->id)->value('version'));
    }

    public function testAConditionFromTheBuilderIsWrittenAsItIsRead(): void
    {
        $this->put('/pellbrook/agents/maren/prompt-book/steps/delivery_branch', ['version' => 1, 'key' => 'delivery_branch', 'otherwise' => 'payment', 'ways' => [
            ['join' => 'any', 'parts' => [['value' => 'delivery', 'comparison' => 'is', 'than' => 'yes'], ['value' => 'depot', 'comparison' => 'one_of', 'than' => 'oldmere, tarn_bridge'], ['value' => 'call.hour', 'comparison' => 'more_than', 'than' => '16'], ['value' => 'caller.known', 'comparison' => 'unknown', 'than' => '']], 'next' => 'site_address'],
            ['parts' => [['value' => '', 'comparison' => 'is', 'than' => '']], 'next' => 'payment'],
        ]])->assertOk();
        $step = Draft::query()->where('agent_id', $this->agent->id)->with('scriptText')->firstOrFail()->scriptText->document()->step('delivery_branch');
        self::assertSame([['when' => ['any' => [['value' => 'delivery', 'is' => true], ['value' => 'depot', 'one_of' => ['oldmere', 'tarn_bridge']], ['value' => 'call.hour', 'more_than' => 16], ['value' => 'caller.known', 'known' => false]]], 'next' => 'site_address']], $step['ways']);
    }

    public function testAWayMayNameAStepThatIsNotThereYetAndMakesItInPlace(): void
    {
        $url = '/pellbrook/agents/maren/prompt-book/steps/delivery_branch';
        $form = ['key' => 'delivery_branch', 'otherwise' => '+new:say:No delivery', 'ways' => [['parts' => [['value' => 'delivery', 'comparison' => 'is', 'than' => 'yes']], 'next' => '+new:ask:Gate code'], ['parts' => [['value' => 'depot', 'comparison' => 'is', 'than' => 'oldmere']], 'next' => '+new:say:No delivery']]];
        $this->put($url, ['version' => 1, 'otherwise' => '+new:say:!!'] + $form)->assertStatus(422)->assertJsonPath('problems.0', '“!!” is no name for a step; a name has letters and digits, such as delivery_day.');
        $this->put($url, ['version' => 1] + $form)->assertOk()->assertJsonPath('version', 2);
        $document = Draft::query()->where('agent_id', $this->agent->id)->with('scriptText')->firstOrFail()->scriptText->document();
        self::assertSame(['gate_code', 'no_delivery', 'no_delivery'], [$document->step('delivery_branch')['ways'][0]['next'], $document->step('delivery_branch')['ways'][1]['next'], $document->step('delivery_branch')['otherwise']]);
        self::assertSame(['ask', 'say'], [$document->step('gate_code')['kind'], $document->step('no_delivery')['kind']]);
    }

    public function testANewFieldTakesItsOwnTitleAndLeavesNoOrphan(): void
    {
        $url = '/pellbrook/agents/maren/prompt-book/steps';
        $key = (string) $this->post($url, ['after' => 'depot', 'kind' => 'ask', 'version' => 1])->assertOk()->json('at');
        $form = $this->formOf((string) $this->get("{$url}/{$key}")->getContent());
        $this->put("{$url}/{$key}", ['version' => 2, 'field' => '+new', 'new_field' => 'Gate code'] + $form)->assertOk();
        $fields = Draft::query()->where('agent_id', $this->agent->id)->with('scriptText')->firstOrFail()->scriptText->document()->toArray()['sheet']['properties'];
        self::assertSame('Gate code', $fields['gate_code']['title']);
        self::assertArrayNotHasKey('answer', $fields);
    }

    public function testEveryFormGivesBackTheStepItShows(): void
    {
        $document = ScriptDocument::fromArray(json_decode((string) file_get_contents(database_path('demo/pellbrook/maren.json')), true));
        foreach ($document->script->steps as $key => $step) {
            $html = (string) $this->get("/pellbrook/agents/maren/prompt-book/steps/{$key}")->assertOk()->getContent();
            $form = $this->formOf($html);
            $response = $this->putJson("/pellbrook/agents/maren/prompt-book/steps/{$key}", ['version' => 1] + $form);
            $response->assertOk();
            self::assertSame(1, $response->json('version'), "the form of {$key} changes it: ".json_encode($this->agent->fresh()?->load('draft.scriptText')->draft->scriptText->document()->step((string) $key)));
        }
    }

    public function testAFileIsShownBeforeAnythingIsMadeAndWrongOnesSayWhere(): void
    {
        $json = (string) file_get_contents(database_path('demo/quillmoor/tobin.json'));
        $before = Agent::query()->count();
        $this->post('/pellbrook/agents/preview', ['file' => UploadedFile::fake()->createWithContent('tobin.json', $json)])->assertOk()->assertSee('Quillmoor Linen')->assertSee('Nothing is made yet');
        self::assertSame($before, Agent::query()->count());
        $this->post('/pellbrook/agents/import', ['name' => 'Maren', 'fit' => '1'])->assertSessionHasErrors('name');
        $this->post('/pellbrook/agents/import', ['name' => 'Tobin', 'fit' => '1'])->assertRedirect();
        self::assertStringContainsString('an automated call from Pellbrook Hire', Agent::query()->where('name', 'Tobin')->with('draft.scriptText')->firstOrFail()->draft->scriptText->document);
        foreach (['{"agent"' => 'column', str_replace('"next": "confirmed"', '"next": "confirmd"', $json) => 'Line', "\x00\xff" => 'JSON', '[]' => 'Line 1'] as $wrong => $says) {
            $response = $this->post('/pellbrook/agents/preview', ['file' => UploadedFile::fake()->createWithContent('x.json', (string) $wrong)]);
            $response->assertSessionHasErrors('file');
            self::assertStringContainsString($says, implode(' ', session('errors')->get('file')));
        }
    }

    public function testARecordingIsTakenForWhatItsBytesSayAndPlayedForExactlyItsWords(): void
    {
        Storage::fake('local');
        $wav = self::wav(1.5, 0.25);
        $this->postJson('/pellbrook/agents/maren/recordings', ['text' => 'Is there anything else?', 'file' => UploadedFile::fake()->createWithContent('x.mp3', $wav)])->assertOk()->assertSee('1.5 s')->assertSee('-15.1 dB');
        foreach (["ID3\x03" => 'but MP3', "\x89PNG\r\n" => 'a picture', 'RIFF1234WAVEfmt ' => 'cut short', '' => ''] as $bytes => $says) {
            $this->postJson('/pellbrook/agents/maren/recordings', ['text' => 'Hello.', 'file' => UploadedFile::fake()->createWithContent('x.wav', (string) $bytes)])->assertStatus(422);
        }
        $this->postJson('/pellbrook/agents/maren/recordings', ['text' => 'Hello [caller.name].', 'file' => UploadedFile::fake()->createWithContent('x.wav', $wav)])->assertStatus(422)->assertSee('cannot be recorded whole');
        $ref = $this->ring()->json('ref');
        $play = $this->happens($ref, 1, 'said', 'no thanks')->json('play');
        $call = Call::query()->where('ref', $ref)->with('business', 'agent', 'scriptText')->firstOrFail();
        $pieces = (new \App\Support\Playlist)->pieces($call, 'Thank you. Is there anything else?');
        self::assertSame(['Thank you.', 'Is there anything else?'], array_column($pieces, 'text'));
        self::assertNotNull($pieces[1]['recording']);
        self::assertNull((new \App\Support\Playlist)->pieces($call, 'And is that so? Is there anything else? No.')[0]['recording']);
        self::assertNull((new \App\Support\Playlist)->pieces($call, 'I ask: Is there anything else?')[0]['recording']);
        self::assertIsArray($play);
    }

    public function testAnAgentIsTakenAwayAndComesBack(): void
    {
        $this->delete('/pellbrook/agents/maren')->assertRedirect('/pellbrook/agents');
        $this->get('/pellbrook/agents')->assertOk()->assertSee('No agent works for');
        $this->get('/pellbrook')->assertOk();
        $this->post('/pellbrook/agents/maren/restore')->assertRedirect();
        $this->get('/pellbrook/agents')->assertSee('Maren');
    }

    public function testThePageOfAnAgentKeepsWhatItShows(): void
    {
        $form = $this->formOf((string) $this->get('/pellbrook/agents/maren')->assertOk()->getContent(), 'agent-form');
        $this->put('/pellbrook/agents/maren', $form)->assertSessionHasNoErrors();
        $kept = $this->agent->fresh()?->load('draft.scriptText')->draft;
        self::assertNotNull($kept);
        self::assertSame(1, $kept->version, json_encode((new \Ringo\Design\Changes)->between(ScriptDocument::fromJson((string) file_get_contents(database_path('demo/pellbrook/maren.json'))), $kept->scriptText->document())) ?: '');
        $this->put('/pellbrook/agents/maren', [...$form, 'tz' => 'Europe/Oldmere', 'hours' => ['mon' => '17-9']])->assertSessionHasErrors('agent');
        $this->put('/pellbrook/agents/maren', [...$form, 'greeting' => ['known' => 'Hello again [caller.first_name|].'], 'hours' => [...$form['hours'], 'sun' => '9:00 – 12:00']])->assertSessionHasNoErrors();
        $script = $this->agent->fresh()?->load('draft.scriptText')->draft->scriptText->script();
        self::assertSame(['from' => '09:00', 'to' => '12:00'], $script?->hours->week[7][0]);
        $ring = $this->ring(['caller' => 'contact', 'contact' => (string) $this->contact->id]);
        self::assertStringStartsWith('Hello again', $ring->json('last_agent'));
    }

    /** @return array<string, mixed> what a browser would send for the form */
    private function formOf(string $html, ?string $class = null): array
    {
        $dom = new \DOMDocument;
        @$dom->loadHTML('<?xml encoding="utf-8"?>'.$html);
        $path = new \DOMXPath($dom);
        $pairs = [];
        $root = $class === null ? '//form' : "//form[contains(@class, '{$class}')]";
        foreach ($path->query("{$root}//*[self::input or self::textarea or self::select][not(ancestor::template)]") ?: [] as $field) {
            /** @var \DOMElement $field */
            $name = $field->getAttribute('name');
            $type = $field->getAttribute('type');
            if ($name === '' || $name === '_token' || $type === 'file' || in_array($type, ['checkbox', 'radio'], true) && ! $field->hasAttribute('checked')) {
                continue;
            }
            $value = match ($field->tagName) {
                'textarea' => (string) preg_replace('/^\n/', '', $field->textContent),
                'select' => (static function () use ($path, $field): string {
                    $chosen = $path->query('.//option[@selected]', $field);
                    $option = $chosen !== false && $chosen->length > 0 ? $chosen->item(0) : ($path->query('.//option', $field) ?: null)?->item(0);

                    return $option instanceof \DOMElement ? ($option->hasAttribute('value') ? $option->getAttribute('value') : $option->textContent) : '';
                })(),
                default => $field->getAttribute('value'),
            };
            $pairs[] = urlencode($name).'='.urlencode($value);
        }
        parse_str(implode('&', $pairs), $form);

        /** @var array<string, mixed> $form */
        return $form;
    }

    private static function wav(float $seconds, float $level): string
    {
        $frames = (int) ($seconds * 8000);
        $data = '';
        for ($i = 0; $i < $frames; $i++) {
            $data .= pack('v', (int) ($level * 32767 * sin($i / 4)) & 0xFFFF);
        }

        return 'RIFF'.pack('V', 36 + strlen($data)).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, 8000, 16000, 2, 16).'data'.pack('V', strlen($data)).$data;
    }
}
