<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Crowd\RingCrowd;
use App\Actions\Design\EditDraft;
use App\Models\CasebookCase;
use App\Models\CrowdRun;
use App\Models\Role;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Ringo\Design\ScriptDocument;

/** Crowds in the application: rung in the queue, counted once whatever happens, compared with the same callers. */
final class CrowdTest extends FeatureTestCase
{
    private const FORM = ['callers' => '30', 'seed' => '1', 'noise' => '0', 'rings' => 'draft'];

    public function test_a_crowd_rings_the_draft_and_each_caller_can_be_looked_at(): void
    {
        Http::fake();
        $this->actingAs($this->user());
        $this->post('/pellbrook/agents/maren/crowds', ['callers' => '0'] + self::FORM)->assertSessionHasErrors('callers');
        $this->post('/pellbrook/agents/maren/crowds', ['rings' => '9'] + self::FORM)->assertNotFound();
        $this->post('/pellbrook/agents/maren/crowds', self::FORM)->assertRedirect();
        $run = CrowdRun::query()->firstOrFail();
        self::assertSame(['done', 30], [$run->status, $run->done]);
        self::assertSame(30, $run->report['callers'] ?? 0);
        $this->get("/pellbrook/agents/maren/crowds/{$run->id}")->assertOk()->assertSee('got what they came for')->assertSee('By temper');
        foreach ([1, 17, 30] as $n) {
            $walked = app(RingCrowd::class)->caller($run, $n);
            self::assertSame($walked->achieved, (bool) ($run->report['by'][$n] ?? null), 'the call shown is the call counted');
            $this->get("/pellbrook/agents/maren/crowds/{$run->id}/callers/{$n}")->assertOk()->assertSee("Caller {$n}");
        }
        $this->get('/pellbrook/agents/maren/call-map?by=crowd')->assertOk()->assertSee('30 callers rang the draft')->assertSee('30 calls came here');
        $this->get('/pellbrook/agents/maren/call-map?by=crowd&crowd=999')->assertOk()->assertSee('30 calls came here');
        $this->get("/pellbrook/agents/maren/crowds/{$run->id}/callers/31")->assertNotFound();
        Http::assertNothingSent();
        self::assertSame(0, \App\Models\Call::query()->count(), 'stand-in calls are no calls of the business');
    }

    public function test_a_crowd_goes_on_where_it_was_and_counts_each_caller_once(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/agents/maren/crowds', ['callers' => '50'] + self::FORM);
        $whole = CrowdRun::query()->firstOrFail();
        Queue::fake();
        $this->post('/pellbrook/agents/maren/crowds', ['callers' => '50'] + self::FORM);
        $run = CrowdRun::query()->latest('id')->firstOrFail();
        $run->update(['placed_at' => $whole->placed_at]);
        // Whoever rang it died after the first handful; two take it up at once.
        $handful = new \ReflectionMethod(RingCrowd::class, 'handful');
        $run->update(['status' => 'running']);
        $handful->invoke(app(RingCrowd::class), $run->load('agent.business', 'scriptText', 'againstText'));
        self::assertSame(20, CrowdRun::query()->findOrFail($run->id)->done);
        $one = CrowdRun::query()->with('agent.business', 'scriptText')->findOrFail($run->id);
        $other = CrowdRun::query()->with('agent.business', 'scriptText')->findOrFail($run->id);
        $handful->invoke(app(RingCrowd::class), $one);
        $handful->invoke(app(RingCrowd::class), $other);
        self::assertSame([40, 40], [CrowdRun::query()->findOrFail($run->id)->done, CrowdRun::query()->findOrFail($run->id)->report['callers'] ?? 0]);
        // The page that looks on has it taken up.
        CrowdRun::query()->whereKey($run->id)->update(['updated_at' => now()->subMinute()]);
        $this->getJson("/pellbrook/agents/maren/crowds/{$run->id}")->assertOk()->assertJsonPath('done', 40);
        Queue::assertPushed(\App\Jobs\RunCrowd::class, 2);
        app(RingCrowd::class)->run($run->refresh());
        self::assertSame('done', $run->refresh()->status);
        self::assertEquals($whole->report, $run->report);
    }

    public function test_two_versions_are_rung_by_the_same_callers_and_a_stopped_run_stays(): void
    {
        $user = $this->user();
        $this->actingAs($user);
        app(EditDraft::class)->apply($this->agent, 1, 'hears no breakdowns', [], static fn (ScriptDocument $document): ScriptDocument => ScriptDocument::fromArray(['steps' => array_map(static fn (array $step): array => isset($step['topics']) ? ['topics' => array_values(array_filter($step['topics'], static fn (array $topic): bool => $topic['key'] !== 'breakdown'))] + $step : $step, $document->toArray()['steps'])] + $document->toArray()), $user);
        $this->post('/pellbrook/agents/maren/crowds', ['callers' => '80', 'rings' => '1', 'against' => 'draft'] + self::FORM)->assertRedirect();
        $run = CrowdRun::query()->firstOrFail();
        self::assertNotSame($run->script_text_id, $run->against_text_id);
        self::assertGreaterThan($run->against_report['achieved'] ?? 0, $run->report['achieved'] ?? 0, 'who comes with a breakdown is not heard by the draft');
        $this->get("/pellbrook/agents/maren/crowds/{$run->id}")->assertOk()->assertSee('points beside the draft')->assertSee('Who came out otherwise');
        $this->post('/pellbrook/agents/maren/crowds', ['against' => 'draft'] + self::FORM)->assertSessionHasErrors('against');
        Queue::fake();
        $this->post('/pellbrook/agents/maren/crowds', self::FORM);
        $stopped = CrowdRun::query()->latest('id')->firstOrFail();
        $this->post("/pellbrook/agents/maren/crowds/{$stopped->id}/stop")->assertRedirect();
        app(RingCrowd::class)->run($stopped->refresh());
        self::assertSame(['stopped', 0], [$stopped->refresh()->status, $stopped->done]);
    }

    public function test_a_stand_in_call_is_kept_as_a_case_that_wants_what_was_meant(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/agents/maren/crowds', ['noise' => '0.2', 'callers' => '60'] + self::FORM);
        $run = CrowdRun::query()->firstOrFail();
        $by = $run->report['by'] ?? [];
        $good = array_keys(array_filter($by));
        $bad = array_keys(array_filter($by, static fn (mixed $achieved): bool => ! $achieved));
        self::assertNotEmpty($bad, 'a bad line leaves somebody without');
        foreach (array_slice($good, 0, 12) as $n) {
            $this->post("/pellbrook/agents/maren/crowds/{$run->id}/callers/{$n}/case", ['title' => "Caller {$n}"])->assertSessionHasNoErrors();
            $case = CasebookCase::query()->latest('id')->firstOrFail();
            self::assertTrue($case->result['passed'] ?? false, "caller {$n}: ".json_encode($case->result['failures'] ?? []));
            self::assertNotSame([], $case->kept()->lines);
        }
        $n = $bad[0];
        $walked = app(RingCrowd::class)->caller($run, $n);
        $this->post("/pellbrook/agents/maren/crowds/{$run->id}/callers/{$n}/case", ['title' => 'To mend', 'tied' => '1']);
        $case = CasebookCase::query()->latest('id')->firstOrFail();
        foreach ($walked->fields as $field => $how) {
            if ($how !== 'right') {
                self::assertEquals($walked->meant[$field], $case->kept()->expect->values[$field] ?? null);
                self::assertTrue($case->failing(), 'what was meant has not come out yet');
            }
        }
        $this->post("/pellbrook/agents/maren/crowds/{$run->id}/callers/{$n}/case", ['title' => ''])->assertSessionHasErrors('title');
        $this->post("/pellbrook/agents/maren/crowds/{$run->id}/callers/61/case", ['title' => 'x'])->assertNotFound();
        $this->get("/pellbrook/agents/maren/casebook/{$case->id}")->assertOk()->assertSee('It fails on the draft');
    }

    public function test_only_designers(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/agents/maren/crowds')->assertForbidden();
        $this->post('/pellbrook/agents/maren/crowds', self::FORM)->assertForbidden();
    }
}
