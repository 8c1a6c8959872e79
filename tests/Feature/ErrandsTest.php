<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\RepeatCall;
use App\Actions\Errands\AnswerErrand;
use App\Actions\Errands\KeepErrand;
use App\Actions\Errands\RunErrand;
use App\Http\Controllers\StandInController;
use App\Models\Call;
use App\Models\Errand;
use App\Models\ErrandRun;
use App\Models\ErrandTable;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\StandIn;
use App\StandIns\Yard;
use Illuminate\Http\Client\Request as Sent;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\DataProvider;
use Ringo\Errand\Reply;
use Ringo\Format\Xlsx;

/** Errands as a designer keeps and tries them, and as calls run them: once, for those who may, on hosts that are allowed. */
final class ErrandsTest extends FeatureTestCase
{
    private const SCRIPT = [
        'agent' => ['name' => 'Maren', 'business' => 'Pellbrook Hire'], 'first' => 'look',
        'sheet' => ['type' => 'object', 'properties' => ['hire_number' => ['type' => 'string', 'format' => 'reference', 'title' => 'Hire number'], 'name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name']]],
        'steps' => [
            ['key' => 'look', 'kind' => 'look_up', 'errand' => 'hire', 'not_found' => 'none', 'failed' => 'away', 'next' => 'told'],
            ['key' => 'told', 'kind' => 'say', 'prompt' => 'The [hire.item] at [hire.site].', 'next' => 'more'],
            ['key' => 'none', 'kind' => 'say', 'prompt' => 'There is no hire under that number.', 'next' => 'more'],
            ['key' => 'away', 'kind' => 'say', 'prompt' => 'I cannot see the yard.', 'next' => 'more'],
            ['key' => 'more', 'kind' => 'ask', 'field' => 'name', 'prompt' => 'What is your name?', 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
        ],
    ];

    public function test_a_designer_keeps_an_errand_and_is_told_what_is_wrong_with_one(): void
    {
        $this->actingAs($this->user());
        $form = ['key' => 'weather', 'label' => 'The weather', 'reach' => 'request', 'method' => 'GET', 'url' => 'https://yard.pellbrook.example/weather/{town}', 'seconds' => '2', 'keeps_asked' => '1', 'secret_how' => 'header', 'secret_header' => 'X-Api-Key', 'secret' => 'very-secret-words',
            'parameters' => [['key' => 'town', 'label' => 'the town', 'type' => 'text', 'from' => 'depot'], ['key' => 'unit', 'type' => 'text', 'from' => '=celsius', 'optional' => '1']], 'values' => [['key' => 'sky', 'type' => 'text', 'path' => 'now.sky']], 'query' => 'unit: {unit}'];
        $this->post('/pellbrook/errands', ['url' => 'yard/{somewhere}'] + $form)->assertSessionHasErrors('design');
        $this->post('/pellbrook/errands', ['key' => 'hire'] + $form)->assertSessionHasErrors(['design' => 'key: there is another errand “hire”.']);
        self::assertSame(0, Errand::query()->where('key', 'weather')->count());

        $this->post('/pellbrook/errands', $form)->assertSessionHasNoErrors();
        $errand = Errand::query()->where('key', 'weather')->firstOrFail();
        self::assertSame(['unit' => '{unit}'], $errand->design['request']['query']);
        self::assertFalse($errand->design['keeps']);
        self::assertSame('celsius', $errand->design['parameters'][1]['value']);
        // The secret: encrypted, kept when the form is sent again without one, shown nowhere.
        self::assertSame('very-secret-words', $errand->secret);
        self::assertStringNotContainsString('very-secret', (string) DB::table('errands')->where('id', $errand->id)->value('secret'));
        $this->put("/pellbrook/errands/{$errand->id}", ['secret' => ''] + $form)->assertSessionHasNoErrors();
        self::assertSame('very-secret-words', $errand->refresh()->secret);
        foreach (["/pellbrook/errands/{$errand->id}", '/pellbrook/errands', '/pellbrook/errands/errands.openapi.json'] as $page) {
            $this->get($page)->assertOk()->assertDontSee('very-secret');
        }
        $this->delete("/pellbrook/errands/{$errand->id}")->assertRedirect();
        self::assertNull(Errand::query()->where('key', 'weather')->first());
        $this->post("/pellbrook/errands/{$errand->id}/restore")->assertRedirect();
        self::assertSame('very-secret-words', Errand::query()->where('key', 'weather')->firstOrFail()->secret);
    }

    public function test_the_path_is_corrected_on_the_kept_answer_without_asking_again(): void
    {
        $this->yard();
        $this->actingAs($this->user());
        $errand = $this->errand('hire');
        $this->post("/pellbrook/errands/{$errand->id}/run", ['given' => ['number' => '']])->assertSessionHasErrors('run');
        $this->post("/pellbrook/errands/{$errand->id}/run", ['given' => ['number' => 'ph 4711']])->assertSessionHasNoErrors();
        Http::assertSentCount(1);
        $this->get("/pellbrook/errands/{$errand->id}")->assertSee('14 Mill Lane, Oldmere')->assertSee('one found');
        $wrong = $errand->design;
        $wrong['answer']['values'][1]['path'] = 'hire.place';
        $errand->update(['design' => $wrong]);
        $this->get("/pellbrook/errands/{$errand->id}")->assertDontSee('14 Mill Lane, Oldmere</td>', false);
        $wrong['answer']['values'][1]['path'] = 'hire.site';
        $errand->update(['design' => $wrong]);
        $this->get("/pellbrook/errands/{$errand->id}")->assertSee('14 Mill Lane, Oldmere</td>', false);
        $this->put("/pellbrook/errands/{$errand->id}/answer", ['status' => 200, 'body' => '<html>'])->assertSessionHasNoErrors();
        $this->get("/pellbrook/errands/{$errand->id}")->assertSee('something that is not JSON');
        Http::assertSentCount(1);
    }

    public function test_nobody_but_designers_sees_or_runs_them(): void
    {
        $errand = $this->errand('hire');
        $this->get('/pellbrook/errands')->assertRedirect('/sign-in');
        $this->actingAs($this->user(Role::Staff));
        foreach (['/pellbrook/errands', '/pellbrook/errands/new', "/pellbrook/errands/{$errand->id}", '/pellbrook/errands/errands.openapi.json'] as $page) {
            $this->get($page)->assertForbidden();
        }
        $this->post("/pellbrook/errands/{$errand->id}/run")->assertForbidden();
        $this->put('/pellbrook/errands/hosts', ['hosts' => 'x'])->assertForbidden();
        $this->post('/pellbrook/errands/stand-ins/yard', ['mode' => 'fails'])->assertForbidden();
    }

    public function test_an_errand_of_another_business_is_not_there(): void
    {
        $other = \App\Models\Business::query()->create(['key' => 'quillmoor', 'name' => 'Quillmoor', 'country' => 'GB', 'tz' => 'Europe/London', 'errand_hosts' => []]);
        $this->actingAs($this->user(Role::Designer, $other));
        $this->get('/quillmoor/errands/'.$this->errand('hire')->id)->assertNotFound();
        $this->post('/quillmoor/errands/stand-ins/yard', ['mode' => 'fails'])->assertNotFound();
    }

    public function test_secrets_go_along_as_they_are_designed(): void
    {
        Http::fake(['*' => Http::response('{"a":1}')]);
        $design = ['key' => 'x', 'changes' => true, 'request' => ['method' => 'POST', 'url' => 'https://yard.pellbrook.example/x', 'body' => ['a' => 1]], 'answer' => ['values' => [['key' => 'a', 'type' => 'number']]]];
        foreach ([['bearer', 'Authorization', 'Bearer s3cret:x'], ['basic', 'Authorization', 'Basic '.base64_encode('s3cret:x')], ['header', 'X-Key', 's3cret:x'], ['signed', 'webhook-signature', 'v1,']] as $n => [$how, $header, $value]) {
            $errand = app(KeepErrand::class)->of($this->business, null, ['key' => "x{$n}", 'secret' => ['how' => $how] + ($how === 'header' ? ['header' => 'X-Key'] : [])] + $design, 's3cret:x');
            app(RunErrand::class)->run($errand, [], "once-{$n}");
            Http::assertSent(static fn (Sent $sent): bool => str_starts_with($sent->header($header)[0] ?? '', $value) && $sent->header('Idempotency-Key') === ["once-{$n}"]);
        }
    }

    /** @return iterable<string, array{string, list<string>, string}> */
    public static function refused(): iterable
    {
        yield 'a host nobody allowed' => ['https://elsewhere.example/x', ['yard.pellbrook.example'], 'may not be asked'];
        yield 'a made-up host that is none' => ['https://nowhere.example/x', ['nowhere.example'], 'no system there is'];
        yield 'this machine' => ['http://127.0.0.1/x', ['127.0.0.1'], 'private address'];
        yield 'this machine by name' => ['http://localhost/x', ['localhost'], 'private address'];
        yield 'the metadata of a cloud' => ['http://169.254.169.254/latest', ['169.254.169.254'], 'private address'];
    }

    /** @param list<string> $hosts */
    #[DataProvider('refused')]
    public function test_what_may_not_be_asked_is_not(string $url, array $hosts, string $words): void
    {
        Http::fake();
        $this->business->update(['errand_hosts' => $hosts]);
        $errand = app(KeepErrand::class)->of($this->business, null, ['key' => 'x', 'request' => ['url' => $url], 'answer' => ['values' => [['key' => 'a']]]], null);
        $came = app(RunErrand::class)->run($errand, [], 'x');
        self::assertSame(Reply::FAILED, $came->reply->status);
        self::assertStringContainsString($words, $came->reply->reason);
        Http::assertNothingSent();
    }

    public function test_answers_that_are_too_much_or_lead_away_are_not_read(): void
    {
        $errand = $this->errand('hire');
        Http::fakeSequence()->push(str_repeat('x', 300_000))->push(str_repeat('x', 300_000))->push('', 302, ['Location' => 'http://169.254.169.254/'])->push('down', 503)->push('{"hire":{"site":"Mill Lane"}}');
        $run = static fn (): Reply => app(RunErrand::class)->run($errand, ['number' => 'PH1'], 'x')->reply;
        self::assertStringContainsString('more than 256 KB', $run()->reason);
        self::assertStringContainsString('status 302', $run()->reason);
        self::assertSame(Reply::FOUND, $run()->status, 'what passes is tried once more');
    }

    public function test_a_call_waits_for_its_errand_and_goes_on_with_the_answer(): void
    {
        $this->yard();
        $call = $this->waiting();
        self::assertSame('looking_up', $call->state['mode']);
        $run = ErrandRun::query()->where('call_id', $call->id)->firstOrFail();
        self::assertSame(['hire', ErrandRun::ASKED, ['number' => 'PH4711']], [$run->errand, $run->state, $run->values]);
        $this->postJson("/pellbrook/handset/{$call->ref}/errand")->assertOk()->assertJsonPath('errand', null)->assertJson(static fn ($json) => $json->where('last_agent', static fn (string $said): bool => str_contains($said, 'mini digger at 14 Mill Lane'))->etc());
        self::assertSame([ErrandRun::BACK, 'really', 'found'], [$run->refresh()->state, $run->how, $run->reply['status'] ?? null]);
        self::assertSame('errand', $call->refresh()->marks[0]['kind'] ?? null);
        // Asked again there is nothing to run.
        self::assertFalse(app(AnswerErrand::class)->of($call));
        Http::assertSentCount(1);
    }

    public function test_two_pages_run_it_once_and_a_server_that_died_is_taken_over(): void
    {
        $this->yard();
        $call = $this->waiting();
        $run = ErrandRun::query()->where('call_id', $call->id)->firstOrFail();
        $run->update(['state' => ErrandRun::SENT, 'sent_at' => now()]);
        self::assertFalse(app(AnswerErrand::class)->of($call), 'somebody is at it');
        Http::assertNothingSent();
        $run->update(['sent_at' => now()->subSeconds(8)]);
        self::assertTrue(app(AnswerErrand::class)->of($call));
        self::assertSame('answer', $call->refresh()->state['mode']);
    }

    public function test_whoever_hangs_up_meanwhile_leaves_the_call_as_it_is(): void
    {
        $this->yard();
        $call = $this->waiting();
        $this->postJson("/pellbrook/handset/{$call->ref}", ['kind' => 'hung_up', 'step' => $call->step])->assertOk();
        $before = $call->refresh()->state;
        app(AnswerErrand::class)->of($call);
        self::assertSame($before, $call->refresh()->state);
        self::assertSame(ErrandRun::BACK, ErrandRun::query()->where('call_id', $call->id)->firstOrFail()->state);
    }

    public function test_what_changes_something_is_done_once_even_where_its_answer_is_lost(): void
    {
        $this->yard('loses');
        $errand = $this->errand('extend_hire');
        $until = now()->addDays(20)->format('Y-m-d');
        $first = app(RunErrand::class)->run($errand, ['number' => 'PH4711', 'until' => $until], 'call-1-e1');
        self::assertSame(Reply::FAILED, $first->reply->status);
        // It was sent twice within its time, under one key; and the server that took over sends it a third time.
        StandIn::query()->where('system', 'yard')->update(['mode' => 'works']);
        $again = app(RunErrand::class)->run($errand, ['number' => 'PH4711', 'until' => $until], 'call-1-e1');
        self::assertSame(['due' => $until, 'confirmation' => 'EXT47111'], $again->reply->rows[0] ?? null);
        self::assertSame(1, StandIn::query()->where('system', 'yard')->firstOrFail()->data['hires']['PH4711']['extensions']);
        Http::assertSentCount(3);
    }

    public function test_a_rehearsal_chooses_how_errands_are_answered(): void
    {
        $this->yard();
        $errand = $this->errand('hire');
        $errand->update(['kept' => ['values' => [], 'status' => 200, 'body' => '{"hire":{"site":"Heron Close","lines":[{"item":"pump"}],"due":"2026-12-01"}}', 'milliseconds' => 1, 'at' => now()->format('c')]]);
        foreach (['kept' => 'pump at Heron Close', 'fails' => 'cannot see the yard', 'nothing' => 'no hire under that number', 'several' => 'the one for', 'slow' => 'pump at Heron Close'] as $how => $words) {
            $call = $this->waiting(['errands' => $how, 'errands_seconds' => 0.1]);
            $this->postJson("/pellbrook/handset/{$call->ref}/errand")->assertOk()->assertJson(static fn ($json) => $json->where('last_agent', static fn (string $said): bool => str_contains($said, $words))->etc());
        }
        Http::assertNothingSent();
        // The usual way looks up for real, and changes nothing.
        $call = $this->waiting([], "I'd like to keep my machine longer", 'P H 4711', 'until the twentieth of March', 'my name is Nell Ashby');
        self::assertSame('extend_hire', ErrandRun::query()->where('call_id', $call->id)->latest('id')->firstOrFail()->errand);
        app(AnswerErrand::class)->of($call);
        Http::assertNotSent(static fn (Sent $sent): bool => $sent->method() === 'POST');
    }

    public function test_waiting_words_come_from_the_page_that_waits(): void
    {
        $call = $this->waiting();
        $tell = fn (float $seconds) => $this->postJson("/pellbrook/handset/{$call->ref}", ['kind' => 'waits', 'seconds' => $seconds, 'step' => 0])->assertOk()->json('last_agent');
        $before = $tell(0.5);
        self::assertNotSame($before, $said = $tell(1.6));
        self::assertSame($said, $tell(4.0));
        self::assertNotSame($said, $tell(7.7));
    }

    public function test_what_is_said_just_as_the_answer_comes_is_not_lost(): void
    {
        $this->yard();
        $call = $this->waiting();
        $seen = $call->step;
        app(AnswerErrand::class)->of($call);
        $this->postJson("/pellbrook/handset/{$call->ref}", ['kind' => 'said', 'text' => 'Dara Whitcombe', 'step' => $seen])->assertOk()->assertJsonPath('status', 'ended');
        // What somebody else has said since still counts first.
        $call = $this->waiting();
        app(AnswerErrand::class)->of($call);
        $this->postJson("/pellbrook/handset/{$call->ref}", ['kind' => 'silence', 'step' => $call->refresh()->step])->assertOk();
        $this->postJson("/pellbrook/handset/{$call->ref}", ['kind' => 'said', 'text' => 'P H 4712', 'step' => $seen])->assertStatus(409);
    }

    public function test_a_call_rung_again_asks_nobody(): void
    {
        $this->yard();
        $call = $this->waiting();
        app(AnswerErrand::class)->of($call);
        Http::assertSentCount(1);
        $user = \App\Models\User::query()->firstOrFail();
        $text = ScriptText::query()->findOrFail($call->script_text_id);
        $again = app(RepeatCall::class)->upTo($call->refresh(), 50, $text, $user);
        self::assertSame($call->state['looked']['hire']['row'], $again->refresh()->state['looked']['hire']['row']);
        self::assertSame($call->turns()->pluck('text')->all(), $again->turns()->pluck('text')->all());
        [$finished] = app(RepeatCall::class)->against($call, $text);
        self::assertSame('found', $finished->state->looked['hire']['status']);
        Http::assertSentCount(1);
    }

    public function test_another_system_tells_who_rings_before_the_first_word(): void
    {
        Http::fakeSequence()->push('{"account":{"number":"A1042","name":"Whitcombe Groundworks","balance":{"amount":12.5,"currency":"GBP"},"stopped":false}}')->push('', 404)->push('<html>')->push('<html>')->push('<html>');
        $this->actingAs($this->user());
        $facts = fn (array $choice = []): array => Call::query()->where('ref', $this->ring($choice)->assertCreated()->json('ref'))->firstOrFail()->state['caller'];
        $found = $facts();
        self::assertSame(['A1042', 'Whitcombe Groundworks', '12.5', 'no', 'organisation'], [$found['account_number'], $found['organisation'], $found['balance'], $found['on_stop'], $found['kind']]);
        self::assertSame(1, ErrandRun::query()->where('errand', 'account')->where('at', 0)->count());
        foreach (['not found', 'failed'] as $how) {
            self::assertSame('unknown', $facts()['kind'], $how);
        }
        self::assertArrayNotHasKey('account_number', $facts(['caller' => 'withheld']));
        // What is on file stands.
        Http::swap(new \Illuminate\Http\Client\Factory);
        $known = $facts(['caller' => 'contact', 'contact' => (string) $this->contact->id, 'errands' => 'nothing']);
        self::assertSame('Ashby Fencing', $known['organisation']);
    }

    public function test_tables_are_brought_in_and_looked_up(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/errands/tables', ['file' => UploadedFile::fake()->createWithContent('licences.csv', "machine;card\nmini digger;A59\n")])->assertSessionHasNoErrors();
        $errand = $this->errand('operator_card');
        self::assertSame('A59', app(RunErrand::class)->run($errand, ['machine' => 'mini diger'], 'x')->reply->rows[0]['card'] ?? null);
        $path = (string) tempnam(sys_get_temp_dir(), 'xlsx');
        (new Xlsx)->write($path, [['machine', 'card', 'least age'], ['mini digger', 'A59 & more', '018'], ['breaker', 'none', '']]);
        $this->post('/pellbrook/errands/tables', ['file' => new UploadedFile($path, 'licences.xlsx', null, null, true), 'name' => ''])->assertSessionHasNoErrors();
        self::assertSame([['machine' => 'mini digger', 'card' => 'A59 & more', 'least age' => '018'], ['machine' => 'breaker', 'card' => 'none', 'least age' => '']], ErrandTable::query()->where('name', 'licences')->firstOrFail()->rows);
        $this->post('/pellbrook/errands/tables', ['file' => UploadedFile::fake()->createWithContent('broken.xlsx', 'PK no')])->assertSessionHasErrors('file');
        self::assertSame(1, ErrandTable::query()->count());
        // The callers of the business are a table too.
        $who = app(KeepErrand::class)->of($this->business, null, ['key' => 'who', 'reach' => 'callers', 'table' => ['by' => [['column' => 'name', 'parameter' => 'name', 'match' => 'name']]], 'parameters' => [['key' => 'name']], 'answer' => ['values' => [['key' => 'number', 'type' => 'phone']]]], null);
        self::assertSame('+447700900228', app(RunErrand::class)->run($who, ['name' => 'nell ashbey'], 'x')->reply->rows[0]['number'] ?? null);
    }

    public function test_a_description_becomes_an_errand(): void
    {
        $this->actingAs($this->user());
        $file = UploadedFile::fake()->createWithContent('yard.json', (string) json_encode((new Yard)->describes()));
        $this->post('/pellbrook/errands/descriptions', ['file' => UploadedFile::fake()->createWithContent('x.json', '{"swagger":"2.0"}')])->assertSessionHasErrors('description');
        $this->post('/pellbrook/errands/descriptions', ['file' => $file])->assertSessionHas('described');
        $this->post('/pellbrook/errands/descriptions/take', ['description' => (string) json_encode((new Yard)->describes()), 'operation' => 'get_stock'])->assertSessionHasNoErrors();
        $errand = $this->errand('get_stock');
        $this->get("/pellbrook/errands/{$errand->id}")->assertOk()->assertSee('One found');
        $this->post('/pellbrook/errands/descriptions/take', ['description' => '{}', 'operation' => 'get_stock'])->assertSessionHasErrors('description');
    }

    public function test_a_description_may_be_yaml_and_its_faults_are_told(): void
    {
        $this->actingAs($this->user());
        $yaml = "openapi: 3.1.0\ninfo: {version: '1'}\nservers: [{url: 'https://yard.pellbrook.example'}]\nsecurity: []\npaths:\n  /stock:\n    get:\n      operationId: getStock\n      responses:\n        200:\n          description: ok\n          content:\n            application/json:\n              schema: &s {type: object, properties: {free: {type: integer}}}\n";
        $this->post('/pellbrook/errands/descriptions', ['file' => UploadedFile::fake()->createWithContent('yard.yaml', $yaml)])->assertSessionHas('described', static fn (array $found): bool => array_column($found, 'key') === ['get_stock'])
            ->assertSessionHas('description_faults', ['/info: the required properties (title) are missing']);
        $this->post('/pellbrook/errands/descriptions/take', ['description' => session('description'), 'operation' => 'get_stock'])->assertSessionHasNoErrors();
        self::assertSame('free', $this->errand('get_stock')->design['answer']['values'][0]['key'] ?? null);
        $bomb = "a: &a [x, x]\n".implode('', array_map(static fn (int $n): string => "b{$n}: [*a, *a, *a]\n", range(1, 40)));
        foreach (["openapi: 3.1.0\n\tpaths: {}" => 'line 2', $bomb => 'refers to itself', "!php/object 'O:8:\"stdClass\":0:{}'" => 'neither JSON nor YAML', '<html>' => 'not JSON'] as $text => $words) {
            $this->post('/pellbrook/errands/descriptions', ['file' => UploadedFile::fake()->createWithContent('x.yaml', $text)])->assertSessionHasErrors('description');
            self::assertStringContainsString($words, (string) session('errors')->first('description'));
        }
    }

    public function test_an_alarm_goes_while_the_call_goes_on_and_is_raised_once(): void
    {
        $this->yard('loses');
        $call = $this->waiting(['errands' => 'really'], 'the breaker has broken down', 'yes');
        $run = ErrandRun::query()->where('call_id', $call->id)->where('errand', 'raise_alarm')->sole();
        self::assertTrue($run->aside);
        self::assertSame(['number' => '+447700900199', 'machine' => 'breaker'], $run->values);
        self::assertStringContainsString('keep everybody away', (string) $call->turns()->get()->last()?->text, 'nobody waited for it');
        $alarms = static fn (): array => StandIn::query()->where('system', 'yard')->firstOrFail()->data['alarms'] ?? [];
        self::assertCount(1, $alarms(), 'the answer was lost, twice; it was done once');
        self::assertSame('failed', $run->refresh()->reply['status'] ?? null);
        StandIn::query()->update(['mode' => 'works']);
        (new \App\Jobs\RunOwnErrand($run->id))->handle(app(AnswerErrand::class));
        self::assertSame('found', $run->refresh()->reply['status'] ?? null);
        self::assertCount(1, $alarms());
        self::assertSame(['raise_alarm'], array_values(array_unique(array_column(array_filter($call->refresh()->marks ?? [], static fn (array $mark): bool => $mark['name'] === 'raise_alarm'), 'name'))));
        self::assertFalse(app(AnswerErrand::class)->of($call), 'the call waits for nothing');
        // A rehearsal changes nothing in the yard unless it is told to.
        $this->waiting([], 'the breaker has broken down', 'yes');
        self::assertCount(1, $alarms());
    }

    public function test_errands_of_its_own_accord_are_designed_on_the_page_of_the_agent(): void
    {
        $this->actingAs($this->user());
        $page = (string) $this->get('/pellbrook/agents/maren')->assertOk()->assertSee('Errands it runs by itself')->getContent();
        preg_match('/name="version" value="(\d+)"/', $page, $version);
        $form = ['_form' => 'agent', '_own_errands' => '1', 'version' => $version[1] ?? '0', 'own_errands' => [['key' => '', 'errand' => 'raise_alarm', 'moment' => 'at_once', 'parts' => [['value' => 'danger', 'comparison' => 'is', 'than' => 'yes']]], ['errand' => 'stock', 'moment' => 'end', 'parts' => [['value' => '', 'comparison' => 'is', 'than' => '']]], ['errand' => '']]];
        $this->put('/pellbrook/agents/maren', $form)->assertSessionHasNoErrors();
        self::assertEquals([['key' => 'raise_alarm', 'errand' => 'raise_alarm', 'moment' => 'at_once', 'when' => ['value' => 'danger', 'is' => true]], ['key' => 'stock', 'errand' => 'stock', 'moment' => 'end']], $this->agent->draft->refresh()->scriptText->document()->toArray()['errands'] ?? []);
        $this->put('/pellbrook/agents/maren', ['version' => (string) $this->agent->draft->version, 'own_errands' => [['errand' => 'stock', 'moment' => 'at_once']]] + $form)->assertSessionHasErrors('agent');
        $this->followingRedirects()->from('/pellbrook/agents/maren')->put('/pellbrook/agents/maren', ['version' => (string) $this->agent->draft->version, 'own_errands' => [['errand' => 'stock', 'moment' => 'at_once']]] + $form)->assertSee('needs a condition');
    }

    private function errand(string $key): Errand
    {
        return Errand::query()->where('key', $key)->firstOrFail();
    }

    /**
     * A rehearsal that waits for the yard to look up a hire.
     *
     * @param array<string, mixed> $choice
     */
    private function waiting(array $choice = [], string ...$says): Call
    {
        if (! Auth::check()) {
            $this->actingAs($this->user());
        }
        $this->agent->draft->update(['script_text_id' => ScriptText::of($this->agent, $says === [] ? (string) json_encode(self::SCRIPT) : (string) file_get_contents(database_path('demo/pellbrook/maren.json')))->id]);
        $says = $says === [] ? ['P H 4711'] : $says;
        $ref = $this->ring($choice)->assertCreated()->json('ref');
        foreach ($says as $said) {
            $this->postJson("/pellbrook/handset/{$ref}", ['kind' => 'said', 'text' => $said, 'step' => Call::query()->where('ref', $ref)->firstOrFail()->step])->assertOk();
        }

        return Call::query()->where('ref', $ref)->firstOrFail();
    }

    /** The yard, asked in this process as it would be over HTTP. */
    private function yard(string $mode = 'works'): void
    {
        StandIn::query()->updateOrCreate(['system' => 'yard'], ['mode' => $mode, 'data' => (new Yard)->data(new \DateTimeImmutable('today')), 'done' => []]);
        Http::fake(static function (Sent $sent) {
            $path = (string) preg_replace('~^.*/stand-in/yard~', '', (string) parse_url($sent->url(), PHP_URL_PATH));
            parse_str((string) parse_url($sent->url(), PHP_URL_QUERY), $query);
            $request = Request::create('/x'.($query === [] ? '' : '?'.http_build_query($query)), $sent->method(), [], [], [], ['CONTENT_TYPE' => 'application/json'], $sent->body());
            foreach ($sent->headers() as $name => $values) {
                $request->headers->set($name, $values);
            }
            $answer = (new StandInController)($request, 'yard', $path);

            return Http::response((string) $answer->getContent(), $answer->getStatusCode());
        });
    }
}
