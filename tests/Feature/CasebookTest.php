<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Casebook\RunCases;
use App\Actions\Design\EditDraft;
use App\Jobs\RunCasebook;
use App\Models\Call;
use App\Models\CasebookCase;
use App\Models\Release;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Queue;
use Ringo\Design\ScriptDocument;

/** The casebook of an agent: calls kept as cases, run on the draft, the change that broke one found, and a release that waits. */
final class CasebookTest extends FeatureTestCase
{
    public function test_a_call_is_kept_and_passes_until_a_change_breaks_it_and_the_change_is_named(): void
    {
        $user = $this->user();
        $this->actingAs($user);
        $case = $this->kept();
        self::assertTrue($case->result['passed'] ?? false, json_encode($case->result['failures'] ?? []) ?: '');
        self::assertSame('2026-03-17', $case->kept['expect']['values']['start_date']);
        self::assertSame(['I need a mini digger from next Tuesday for a fortnight'], array_slice($case->kept['lines'], 0, 1));

        $this->change($user, 'changed the words of the greeting', static function (array $script): array {
            $script['steps'][0]['prompt'] = 'Pellbrook Hire, Maren here.';

            return $script;
        });
        $this->change($user, 'hire_length no longer asks for the length', static fn (array $script): array => ['steps' => array_map(static fn (array $step): array => $step['key'] === 'hire_length' ? ['field' => 'fault'] + $step : $step, $script['steps'])] + $script);
        $this->change($user, 'other words of goodbye', static fn (array $script): array => ['steps' => array_map(static fn (array $step): array => $step['key'] === 'goodbye' ? ['prompt' => 'Bye then.'] + $step : $step, $script['steps'])] + $script);
        self::assertFalse($case->refresh()->result['passed'] ?? true, 'rung in the queue, before anybody looks');
        $this->get('/pellbrook/agents/maren/casebook')->assertOk()->assertSee('1 of 1 cases fails')->assertSee('hire_length no longer asks for the length')->assertSee('fails on the draft');
        $this->get("/pellbrook/agents/maren/casebook/{$case->id}")->assertOk()->assertSee('differs first')->assertSee('What broke it');
        self::assertSame(3, $case->refresh()->result['broke']['version'] ?? null);

        $this->get('/pellbrook')->assertSee('Kept calls that the draft breaks')->assertSee('broken by “hire_length no longer');
        // What happens now is what was meant.
        $this->post("/pellbrook/agents/maren/casebook/{$case->id}/accept")->assertRedirect();
        self::assertTrue($case->refresh()->result['passed'] ?? false);
        $this->get('/pellbrook')->assertDontSee('Kept calls that the draft breaks');
    }

    public function test_a_case_that_must_pass_stands_in_the_way_of_a_release(): void
    {
        $user = $this->user();
        $this->actingAs($user);
        $case = $this->kept();
        $this->put("/pellbrook/agents/maren/casebook/{$case->id}", ['title' => 'A digger', 'must' => '1', 'values' => ['start_date', 'equipment'], 'outcome' => '1', 'most_turns' => '20'])->assertSessionHasNoErrors();
        self::assertSame(['start_date', 'equipment'], array_values(array_intersect(['start_date', 'equipment'], array_keys($case->refresh()->kept['expect']['values']))));
        self::assertArrayNotHasKey('asked_once', $case->kept['expect']);
        $this->change($user, 'asks for the day no more', static fn (array $script): array => ['steps' => array_map(static fn (array $step): array => $step['key'] === 'start_date' ? ['kind' => 'note', 'key' => 'start_date', 'forget' => ['start_date'], 'next' => 'hire_length'] : $step, $script['steps'])] + $script);
        $this->get('/pellbrook/agents/maren/releases')->assertOk()->assertSee('must pass');
        $releases = Release::query()->count();
        $this->post('/pellbrook/agents/maren/releases', ['version' => $this->agent->draft()->firstOrFail()->version, 'accept' => '1'])->assertSessionHasErrors(['version' => 'A case that must pass fails on this draft: “A digger”. Mend it, or say on its page that this is what should happen now.']);
        self::assertSame($releases, Release::query()->count());
        $this->delete("/pellbrook/agents/maren/casebook/{$case->id}")->assertRedirect();
        $this->post('/pellbrook/agents/maren/releases', ['version' => $this->agent->draft()->firstOrFail()->version, 'accept' => '1']);
        self::assertStringNotContainsString('case', (string) session('errors')?->first('version'), 'no case stands in the way any more');
        $this->post("/pellbrook/agents/maren/casebook/{$case->id}/restore")->assertRedirect();
        self::assertSame(1, CasebookCase::query()->count());
    }

    public function test_casebooks_go_out_and_come_in(): void
    {
        $this->actingAs($this->user());
        $json = (string) file_get_contents(database_path('demo/pellbrook/casebook.json'));
        $this->post('/pellbrook/agents/maren/casebook/import', ['file' => UploadedFile::fake()->createWithContent('c.json', '{"cases":[{"key":"A"}]}')])->assertSessionHasErrors('file');
        self::assertSame(0, CasebookCase::query()->count());
        $this->post('/pellbrook/agents/maren/casebook/import', ['file' => UploadedFile::fake()->createWithContent('c.json', $json)])->assertSessionHasNoErrors();
        self::assertSame(25, CasebookCase::query()->count());
        // Brought in again they are the same cases.
        $this->post('/pellbrook/agents/maren/casebook/import', ['file' => UploadedFile::fake()->createWithContent('c.json', $json)]);
        self::assertCount(25, $this->agent->cases()->get());
        $out = $this->get('/pellbrook/agents/maren/casebook.json')->assertOk()->json();
        $sorted = json_decode($json, true);
        usort($sorted['cases'], static fn (array $a, array $b): int => $a['key'] <=> $b['key']);
        self::assertEquals($sorted['cases'], $out['cases']);
    }

    public function test_cases_are_run_once_for_each_text_of_the_draft(): void
    {
        $this->actingAs($this->user());
        $this->kept();
        $run = app(RunCases::class);
        self::assertSame(0, $run->of($this->agent->refresh()));
        self::assertSame(1, $run->of($this->agent, true));
        Queue::fake();
        $this->change(User::query()->firstOrFail(), 'other words', static function (array $script): array {
            $script['steps'][0]['prompt'] = 'Hello.';

            return $script;
        });
        Queue::assertPushed(RunCasebook::class, 1);
        self::assertSame(1, $run->of($this->agent->unsetRelation('draft')), 'where the queue has not come to it, the page does');
        self::assertSame(0, $run->of($this->agent));
    }

    public function test_only_designers_and_only_of_their_business(): void
    {
        $this->actingAs($this->user());
        $case = $this->kept();
        $call = Call::query()->firstOrFail();
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/agents/maren/casebook')->assertForbidden();
        $this->post("/pellbrook/calls/{$call->ref}/case", ['title' => 'x'])->assertForbidden();
        $other = \App\Models\Business::query()->create(['key' => 'quillmoor', 'name' => 'Quillmoor', 'country' => 'GB', 'tz' => 'Europe/London']);
        $owner = $this->user(Role::Owner, $other);
        $this->actingAs($owner);
        $this->get("/pellbrook/agents/maren/casebook/{$case->id}")->assertForbidden();
        $this->get("/quillmoor/agents/maren/casebook/{$case->id}")->assertNotFound();
    }

    private function kept(): CasebookCase
    {
        $ref = $this->ring(['errands' => 'fails'])->assertCreated()->json('ref');
        $call = fn (): Call => Call::query()->where('ref', $ref)->firstOrFail();
        foreach (['I need a mini digger from next Tuesday for a fortnight', 'Oldmere', 'no thanks, we will collect it', 'on account', 'Dara Whitcombe', 'yes', 'no that is everything thanks'] as $said) {
            if ($call()->state['mode'] === 'looking_up') {
                $this->postJson("/pellbrook/handset/{$ref}/errand");
            }
            if ($call()->inProgress()) {
                $this->postJson("/pellbrook/handset/{$ref}", ['kind' => 'said', 'text' => $said, 'step' => $call()->step])->assertOk();
            }
        }
        $this->post("/pellbrook/calls/{$ref}/case", ['title' => ''])->assertSessionHasErrors('title');
        $this->post("/pellbrook/calls/{$ref}/case", ['title' => 'A digger'])->assertSessionHasNoErrors();

        return CasebookCase::query()->where('call_id', $call()->id)->firstOrFail();
    }

    /** @param \Closure(array<string, mixed>): array<string, mixed> $change */
    private function change(User $user, string $words, \Closure $change): void
    {
        app(EditDraft::class)->apply($this->agent, $this->agent->draft()->firstOrFail()->version, $words, [], static fn (ScriptDocument $document): ScriptDocument => ScriptDocument::fromArray($change($document->toArray())), $user);
    }
}
