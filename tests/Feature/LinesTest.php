<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\DeliveryRule;
use App\Models\Line;
use App\Models\Offer;
use App\Models\Person;
use App\Models\Release;
use App\Models\Role;
use App\Models\Team;

/** Lines, and calls placed on them: who answers when, on which release, and what is kept. */
final class LinesTest extends FeatureTestCase
{
    private Person $nora;

    protected function setUp(): void
    {
        parent::setUp();
        $this->nora = Person::query()->create(['business_id' => $this->business->id, 'key' => 'nora', 'name' => 'Nora Fell', 'number' => null, 'presence' => 'available', 'site' => '']);
        Team::query()->create(['business_id' => $this->business->id, 'key' => 'reservations', 'name' => 'Reservations', 'description' => 'hiring machines', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 3])->people()->attach($this->nora->id, ['position' => 0]);
        $this->business->update(['brief' => ['format' => 'ringo-brief/1', 'hours' => ['mon' => ['08:00-17:00'], 'tue' => ['08:00-17:00']], 'holidays' => ['region' => 'GB-ENG']]]);
        $this->actingAs($this->user());
    }

    public function testALineIsMadePutLiveMovedPausedAndSetBack(): void
    {
        $this->post('/pellbrook/lines', ['name' => 'Main line', 'kind' => 'number', 'number' => '01632 960100', 'agent' => 'maren', 'begins' => 'staff_first', 'rings' => 'team:reservations'])->assertRedirect('/pellbrook/lines/main-line');
        $line = Line::query()->sole();
        self::assertSame(['+441632960100', Line::MADE, null], [$line->e164, $line->state, $line->release_id]);
        $this->get('/pellbrook/lines/main-line')->assertOk()->assertSee('Reservations, 15 s')->assertSee('not live yet');
        $this->post('/pellbrook/lines/main-line/live', ['release' => 1])->assertRedirect();
        self::assertSame([Line::LIVE, 1], [$line->refresh()->state, $line->release?->number]);
        Release::query()->create(['agent_id' => $this->agent->id, 'script_text_id' => $line->release?->script_text_id, 'number' => 2, 'note' => '']);
        $this->get('/pellbrook/lines')->assertSee('release 2 is out');
        $this->post('/pellbrook/lines/main-line/live', ['release' => 2]);
        self::assertSame(2, $line->refresh()->release?->number);
        $moved = $line->changes()->firstOrFail();
        self::assertSame('moved to release 2', $moved->words);
        $this->post("/pellbrook/lines/main-line/changes/{$moved->id}/back")->assertSessionHas('notice', 'Taken back: moved to release 2.');
        self::assertSame(1, $line->refresh()->load('release')->release?->number);
        $this->post('/pellbrook/lines/main-line/pause');
        self::assertSame(Line::PAUSED, $line->refresh()->state);
        $this->delete('/pellbrook/lines/main-line')->assertRedirect();
        self::assertSoftDeleted($line);
        $this->post('/pellbrook/lines/main-line/restore');
        self::assertFalse($line->refresh()->trashed());
    }

    public function testAStretchIsAnsweredOtherwiseAndTakenBack(): void
    {
        $line = $this->line();
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['6', '7'], 'from' => '10:00', 'to' => '16:00', 'who' => 'nobody'])->assertRedirect();
        $this->get('/pellbrook/lines/main')->assertSee('Sunday 10:00 to 16:00: nobody answers.');
        $this->get('/pellbrook')->assertSee('Lines and hours nobody answers')->assertSee('Saturday 10:00 to 16:00');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['6', '7'], 'from' => '12:00', 'to' => '24:00', 'who' => 'agent']);
        self::assertCount(2, $line->refresh()->document['answers']['week']['sun']);
        $this->post('/pellbrook/lines/main/changes/'.$line->changes()->reorder('id')->firstOrFail()->id.'/back');
        self::assertSame([], $line->refresh()->document['answers']['week'] ?? []);
    }

    public function testWhatCannotBeIsRefusedInWordsAndNothingIsLost(): void
    {
        $line = $this->line();
        $before = $line->document;
        $this->post('/pellbrook/lines', ['name' => 'Again', 'kind' => 'number', 'number' => '+44 1632 960100', 'agent' => 'maren', 'begins' => 'agent'])->assertSessionHasErrors(['number' => '01632 960100 is the line “Main” already.']);
        $this->post('/pellbrook/lines', ['name' => 'Again', 'kind' => 'number', 'number' => 'twelve', 'agent' => 'maren', 'begins' => 'agent'])->assertSessionHasErrors('number');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['1'], 'from' => '16:00', 'to' => '10:00', 'who' => 'agent'])->assertSessionHasErrors('to');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['1'], 'from' => '25:99', 'to' => '10:00', 'who' => 'agent'])->assertSessionHasErrors('from');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['9'], 'from' => '09:00', 'to' => '10:00', 'who' => 'agent'])->assertSessionHasErrors('days.0');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['1'], 'from' => '09:00', 'to' => '10:00', 'who' => 'staff_first'])->assertSessionHasErrors('who');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['1'], 'from' => '09:00', 'to' => '10:00', 'who' => 'agent', 'opening' => 'no_such_step'])->assertSessionHasErrors('line');
        $this->delete('/pellbrook/lines/main')->assertSessionHasErrors('line');
        self::assertSame([$before, 1], [$line->refresh()->document, Line::query()->count()]);
    }

    public function testALineNeverRunsADraft(): void
    {
        $line = $this->line(live: false);
        Release::query()->delete();
        $this->post('/pellbrook/lines/main/live', ['release' => 1])->assertSessionHasErrors('release');
        self::assertSame(Line::MADE, $line->refresh()->state);
        $this->get('/pellbrook/lines/main')->assertSee('a line never runs a draft');
    }

    public function testForwardingInACircleIsRefused(): void
    {
        $this->line();
        $this->line('night', ['otherwise' => ['who' => 'forward', 'target' => 'line:main']], '01632 960199');
        $this->post('/pellbrook/lines/main/stretches', ['days' => ['1'], 'from' => '20:00', 'to' => '24:00', 'who' => 'forward', 'forward' => 'line:night'])->assertSessionHasErrors(['line' => 'Calls would go round in a circle: Main → Night → Main. Nothing was changed.']);
    }

    public function testACallTakesTheLinesPathAndIsKeptAsALiveOne(): void
    {
        $this->line('main', ['open' => ['who' => 'staff_first', 'target' => 'team:reservations', 'seconds' => 15], 'otherwise' => ['who' => 'agent']]);
        DeliveryRule::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'name' => 'Every call', 'kind' => 'email', 'to' => 'role:owner', 'subject' => 'A call', 'words' => '[summary]', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true]);
        $this->user(Role::Owner);
        $this->get('/pellbrook/exchange?line=main&at=2026-03-09T10:00')->assertOk()->assertSee('Reservations rings for 15 s')->assertSee('Maren answers');
        $call = $this->place('2026-03-09T10:00');
        self::assertSame(['live', 'ringing', '+441632960100'], [$call->kind, $call->state['mode'], $call->to]);
        $offer = Offer::query()->sole();
        self::assertSame([true, 'nora', 'ringing'], [$offer->before_agent, $offer->who, $offer->status]);
        // Nobody answers within the line's seconds: the agent does.
        $this->travel(16)->seconds();
        $this->getJson("/pellbrook/handset/{$call->ref}")->assertOk();
        $call->refresh();
        self::assertSame([null, 'answer'], [$call->state['first'], $call->state['mode']]);
        self::assertGreaterThanOrEqual(15.0, $call->turns()->firstOrFail()->at);
        $this->happens($call->ref, $call->step, 'hung_up')->assertOk();
        self::assertSame(1, $call->deliveries()->count(), 'a live call causes what live calls cause');
        $this->get("/pellbrook/calls/{$call->ref}")->assertSee('on Main')->assertSee('Reservations for 15 s, then Maren');
        $this->get('/pellbrook/calls?handled=nobody')->assertDontSee('Unknown caller');
        $this->get('/pellbrook/calls?line=main')->assertSee('Unknown caller');
        $this->get('/pellbrook/calls?line=none')->assertDontSee('Unknown caller');
        $this->get('/pellbrook/figures?from=2026-03-01&to=2026-03-31')->assertOk()->assertSee('By line');
    }

    public function testStaffWhoTakeTheCallBeforeTheAgentHaveIt(): void
    {
        $this->line('main', ['otherwise' => ['who' => 'staff_first', 'target' => 'team:reservations']]);
        $call = $this->place('2026-03-09T10:00', ['how' => 'answers', 'after' => 4]);
        $this->travel(6)->seconds();
        $this->getJson("/pellbrook/handset/{$call->ref}");
        $call->refresh();
        self::assertSame(['connected', 'nora', 'answered by Nora Fell'], [$call->state['mode'], $call->state['connected']['person'] ?? null, $call->state['outcome']]);
        self::assertSame(0, $call->turns()->where('by', 'agent')->count());
        $this->happens($call->ref, $call->step, 'hung_up');
        self::assertSame(['answered by Nora Fell', 'ended'], [$call->refresh()->outcome, $call->status]);
    }

    public function testAFullLineSaysSoAndTheCallIsKept(): void
    {
        $this->line('main', ['otherwise' => ['who' => 'agent']], atOnce: 1);
        $first = $this->place('2026-03-09T10:00');
        $second = $this->place('2026-03-09T10:01');
        self::assertSame(['in_progress', 'ended', 'all lines taken'], [$first->status, $second->status, $second->outcome]);
        self::assertSame('All our lines are taken just now. Please ring again in a few minutes.', $second->turns()->sole()->text);
        $this->happens($first->ref, $first->step, 'hung_up');
        self::assertSame('in_progress', $this->place('2026-03-09T10:02')->status, 'the place is free again');
    }

    public function testAnHourNobodyAnswersAndAHolidayOnAnotherLine(): void
    {
        $this->line('night', ['otherwise' => ['who' => 'agent', 'opening' => 'breakdown_open']], '01632 960199');
        $this->line('main', ['week' => ['sun' => [['from' => '00:00', 'to' => '24:00', 'who' => 'nobody']]], 'closed' => ['who' => 'forward', 'target' => 'line:night'], 'otherwise' => ['who' => 'agent']]);
        self::assertSame('nobody answered', $this->place('2026-03-08T10:00')->outcome);
        $christmas = $this->place('2026-12-28T10:00');
        self::assertSame('breakdown_open', $christmas->state['opening']);
        self::assertStringContainsString('Boxing Day, in lieu', implode(' ', $christmas->way ?? []));
        $this->get('/pellbrook/calls?handled=nobody')->assertSee('nobody answered');
    }

    public function testALineThatIsPausedTakesNoCall(): void
    {
        $line = $this->line();
        $this->post('/pellbrook/lines/main/pause');
        $this->post('/pellbrook/exchange', ['line' => 'main', 'at' => '2026-03-09T10:00', 'caller' => 'withheld'])->assertSessionHasErrors(['line' => 'Main is paused: a call would find no line there.']);
        self::assertSame(0, Call::query()->count());
        self::assertFalse($line->refresh()->live());
    }

    public function testStaffSeeNoLinesAndOthersNoneOfThese(): void
    {
        $this->line();
        $this->actingAs($this->user(Role::Staff));
        foreach (['/pellbrook/lines', '/pellbrook/lines/main', '/pellbrook/exchange', '/pellbrook/brief'] as $page) {
            $this->get($page)->assertForbidden();
        }
        $this->post('/pellbrook/lines/main/pause')->assertForbidden();
    }

    public function testHoursAreWrittenOnceInTheBrief(): void
    {
        $document = json_decode($this->agent->load('draft.scriptText')->draft->scriptText->document, true);
        unset($document['hours']);
        $text = \App\Models\ScriptText::of($this->agent, json_encode($document, JSON_THROW_ON_ERROR));
        $at = static fn (string $moment): \DateTimeImmutable => new \DateTimeImmutable($moment, new \DateTimeZone('Europe/London'));
        self::assertTrue($text->script()->hours->openAt($at('2026-03-09 10:00')));
        self::assertFalse($text->script()->hours->openAt($at('2026-12-28 10:00')));
        // A script with hours of its own keeps them, and the inspection says where they differ.
        $this->get('/pellbrook/agents/maren')->assertSee('others than the brief’s on Monday');
    }

    public function testWhoWantsNoMoreCallsInAnyCallIsNeverRung(): void
    {
        $this->line();
        $call = $this->place('2026-03-09T10:00');
        app(\App\Actions\Calls\CallHost::class)->happen($call, null, \Ringo\Dialogue\Event::said('please stop calling me', 20.0));
        self::assertSame(['+447700900199', 'asked for it in a call'], array_values(\App\Models\SuppressedNumber::query()->sole()->only(['e164', 'why'])));
    }

    /** @param array<string, mixed> $more */
    private function place(string $at, array $more = []): Call
    {
        $this->post('/pellbrook/exchange', ['line' => 'main', 'at' => $at, 'caller' => 'unknown', 'number' => '07700 900199', ...$more])->assertSessionHasNoErrors()->assertRedirect();

        return Call::query()->latest('id')->firstOrFail();
    }

    /** @param array<string, mixed> $answers */
    private function line(string $key = 'main', array $answers = ['otherwise' => ['who' => 'agent']], string $number = '01632 960100', bool $live = true, int $atOnce = 3): Line
    {
        $keep = app(\App\Actions\Lines\KeepLine::class);
        $user = \App\Models\User::query()->firstOrFail();
        $line = $keep->make($this->business->refresh(), ['key' => $key, 'name' => ucfirst($key), 'number' => $number, 'agent' => 'maren', 'at_once' => $atOnce, 'answers' => $answers], 'number', $user);

        return $live ? $keep->live($line, $this->agent->releases()->firstOrFail(), $user) : $line;
    }
}
