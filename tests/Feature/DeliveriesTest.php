<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Deliveries\DeliverDue;
use App\Models\Call;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\FileRow;
use App\Models\Gateway;
use App\Models\GatewayReceipt;
use App\Models\Role;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Ringo\Delivery\Signature;

final class DeliveriesTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user());
    }

    protected function tearDown(): void
    {
        Carbon::setTestNow();
        parent::tearDown();
    }

    public function testANoticeGoesOnlyIfItsConditionHolds(): void
    {
        $this->rule(['name' => 'Mixers', 'kind' => 'email', 'to' => 'role:designer, boss@example.com', 'subject' => 'A mixer for [caller_name|somebody]', 'words' => '[summary] They want: [equipment]. Depot: [depot].', 'when' => ['all' => [['value' => 'equipment', 'is' => 'cement_mixer'], ['value' => 'call.hour', 'less_than' => 12]]]]);
        $this->rule(['name' => 'Diggers', 'kind' => 'email', 'to' => 'boss@example.com', 'words' => 'x', 'when' => ['value' => 'equipment', 'is' => 'mini_digger']]);
        $this->held();
        $sent = Delivery::query()->orderBy('id')->get();

        self::assertSame(['designer@ringo.example', 'boss@example.com'], $sent->pluck('to')->all());
        self::assertSame('A mixer for Rosa Lindqvist', $sent[0]->subject);
        self::assertStringContainsString('They want: Cement mixer.', (string) $sent[0]->body);
        self::assertStringNotContainsString('Depot', (string) $sent[0]->body, 'a sentence with a hole is left out');
        $this->deliver();
        self::assertSame(['sent', 'sent'], Delivery::query()->pluck('state')->all());
        self::assertSame(2, GatewayReceipt::query()->count());
        $this->deliver();
        self::assertSame(2, GatewayReceipt::query()->sum('times'), 'nothing is sent twice');
    }

    public function testTheBoardSaysWhenThePostStandsStillAndAFaultEndsNothing(): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            self::markTestSkipped('A table that is gone ends the transaction a test runs in there.');
        }
        $this->rule(['name' => 'Notice', 'kind' => 'email', 'to' => 'boss@example.com', 'words' => 'A call.']);
        $this->held();
        $due = Delivery::query()->sole()->due_at;
        Carbon::setTestNow($due->copy()->addMinute());
        $this->get('/pellbrook')->assertOk()->assertDontSee('The post stands still');
        Carbon::setTestNow($due->copy()->addMinutes(5));
        $this->get('/pellbrook')->assertSee('The post stands still: 1 message has been due since');
        Schema::rename('deliveries', 'elsewhere');
        self::assertSame(1, Artisan::call('ringo:deliver', ['--once' => true]));
        self::assertStringContainsString('The post stands still', Artisan::output());
        Schema::rename('elsewhere', 'deliveries');
        self::assertSame(0, Artisan::call('ringo:deliver', ['--once' => true]));
        self::assertSame('sent', Delivery::query()->sole()->state);
        $this->get('/pellbrook')->assertDontSee('The post stands still');
        // It has told the database what it holds, by which queries choose their index.
        self::assertTrue(DB::table('sqlite_stat1')->where('tbl', 'calls')->exists());
    }

    public function testAFailingWebRequestIsTriedAgainWithGrowingPausesAndRecovers(): void
    {
        $rule = $this->rule(['name' => 'Planner', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/calls', 'mapping' => ['name' => 'caller_name', 'machine' => 'equipment'], 'secret' => 'whsec_'.base64_encode('secret')]);
        Gateway::query()->create(['business_id' => $this->business->id, 'kind' => 'web', 'mode' => 'fails']);
        $this->held();
        $this->deliver();
        $delivery = Delivery::query()->firstOrFail();
        self::assertSame(['failed', 1], [$delivery->state, $delivery->attempts]);
        self::assertStringContainsString('503', $delivery->problem);
        $this->deliver();
        self::assertSame(1, $delivery->refresh()->attempts, 'not before its pause is over');
        $pauses = [];
        for ($try = 2; $try <= 4; $try++) {
            $pauses[] = (int) round(abs(now()->diffInSeconds($delivery->due_at)));
            Carbon::setTestNow($delivery->due_at->copy()->addSecond());
            $this->deliver();
            $delivery->refresh();
        }
        self::assertSame($pauses, array_values(array_unique($pauses)));
        self::assertSame(4, $delivery->attempts);
        Gateway::query()->update(['mode' => 'works']);
        Carbon::setTestNow($delivery->due_at->copy()->addSecond());
        $this->deliver();
        self::assertSame('sent', $delivery->refresh()->state);

        $receipt = GatewayReceipt::query()->firstOrFail();
        self::assertSame(1, $receipt->times);
        self::assertTrue((new Signature((string) $rule->secret))->verifies($receipt->headers, $receipt->body, now()->getTimestamp()));
        self::assertSame(['name' => 'Rosa Lindqvist', 'machine' => 'cement_mixer'], array_intersect_key(json_decode($receipt->body, true)['data'], ['name' => 1, 'machine' => 1]));
    }

    public function testWhatIsGivenUpIsADeadLetterAndCanBeSentAgain(): void
    {
        $this->rule(['name' => 'Planner', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/calls']);
        Gateway::query()->create(['business_id' => $this->business->id, 'kind' => 'web', 'mode' => 'fails']);
        $this->held(kind: 'live');
        for ($i = 0; $i < 9; $i++) {
            Carbon::setTestNow(now()->addDay());
            $this->deliver();
        }
        $delivery = Delivery::query()->firstOrFail();
        self::assertSame(['dead', 8], [$delivery->state, $delivery->attempts]);
        $this->get('/pellbrook')->assertSee('Deliveries that did not arrive');
        Gateway::query()->update(['mode' => 'works']);
        $this->post("/pellbrook/post/deliveries/{$delivery->id}/again")->assertRedirect();
        self::assertSame('sent', $delivery->refresh()->state);
    }

    public function testALostAnswerDoesNotMakeASecondOne(): void
    {
        $this->rule(['name' => 'Text', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you.']);
        Gateway::query()->create(['business_id' => $this->business->id, 'kind' => 'text', 'mode' => 'loses']);
        $this->held();
        $this->deliver();
        self::assertSame('failed', Delivery::query()->firstOrFail()->state);
        Gateway::query()->update(['mode' => 'works']);
        Carbon::setTestNow(now()->addMinute());
        $this->deliver();

        self::assertSame('sent', Delivery::query()->firstOrFail()->state);
        self::assertSame([1, 2], [GatewayReceipt::query()->count(), GatewayReceipt::query()->firstOrFail()->times]);
        self::assertStringContainsString('had it already', (string) json_encode(Delivery::query()->firstOrFail()->log));
    }

    public function testAWorkerThatDiesBetweenClaimAndAnswerLosesNothing(): void
    {
        $this->rule(['name' => 'Text', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you.']);
        $this->held();
        // The worker claimed it, the gateway took it, and the machine went down before that was written.
        $delivery = Delivery::query()->firstOrFail();
        $delivery->update(['state' => 'sending', 'claimed_at' => now()]);
        GatewayReceipt::query()->create(['business_id' => $this->business->id, 'kind' => 'text', 'key' => $delivery->key, 'to' => $delivery->to, 'body' => $delivery->body, 'headers' => [], 'times' => 1]);
        $this->deliver();
        self::assertSame('sending', $delivery->refresh()->state, 'somebody may still be at it');
        Carbon::setTestNow(now()->addMinutes(3));
        $this->deliver();

        self::assertSame('sent', $delivery->refresh()->state);
        self::assertSame(1, GatewayReceipt::query()->count());
    }

    public function testTwoWorkersDoNotTakeTheSame(): void
    {
        $this->rule(['name' => 'Text', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you.']);
        $this->held();
        $id = Delivery::query()->firstOrFail()->id;
        $first = Delivery::query()->whereKey($id)->whereIn('state', ['waiting', 'failed'])->update(['state' => 'sending', 'claimed_at' => now()]);
        $second = Delivery::query()->whereKey($id)->whereIn('state', ['waiting', 'failed'])->update(['state' => 'sending', 'claimed_at' => now()]);

        self::assertSame([1, 0], [$first, $second]);
        self::assertSame(0, app(DeliverDue::class)->run());
    }

    public function testARowIsWrittenOncePerCallAndFetchedAsCsvAndXlsx(): void
    {
        $rule = $this->rule(['name' => 'Mixers sold', 'kind' => 'row', 'mapping' => ['Name' => 'caller_name', 'Machine' => 'equipment', 'Depot' => 'depot']]);
        $call = $this->held(kind: 'live');
        app(\App\Actions\Deliveries\QueueDeliveries::class)->after($call);
        app(\App\Actions\Deliveries\QueueDeliveries::class)->after($call);

        self::assertSame(1, FileRow::query()->count());
        self::assertSame("Name,Machine,Depot\r\nRosa Lindqvist,Cement mixer,\r\n", $this->get("/pellbrook/post/files/{$rule->id}.csv")->assertOk()->streamedContent());
        $this->get("/pellbrook/post/files/{$rule->id}.xlsx")->assertOk()->assertHeader('Content-Type', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet');
    }

    public function testARehearsalReachesNobodyOutside(): void
    {
        config(['ringo.post.email' => 'mail']);
        \Illuminate\Support\Facades\Mail::fake();
        $this->rule(['name' => 'Notice', 'kind' => 'email', 'to' => 'boss@example.com', 'subject' => 'A call', 'words' => 'There was a call.']);
        $call = $this->held();
        $this->deliver();
        self::assertSame(1, GatewayReceipt::query()->count());

        // The same from a call that is none goes out, and leaves nothing with the stand-in.
        $call->update(['kind' => 'live']);
        $second = Delivery::query()->firstOrFail()->replicate()->fill(['key' => 'live-1', 'state' => 'waiting', 'attempts' => 0, 'due_at' => now()]);
        $second->save();
        $this->deliver();
        self::assertSame('sent', $second->refresh()->state, $second->problem);
        self::assertSame(1, GatewayReceipt::query()->count());
    }

    public function testAFollowUpWaitsForItsHourAndIsTakenBackByACancellation(): void
    {
        Carbon::setTestNow('2026-03-10 09:20:00');
        $this->rule(['name' => 'Reminder', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Tomorrow: [equipment].', 'timing' => ['kind' => 'before', 'field' => 'start_date', 'amount' => 1, 'unit' => 'day'], 'cancel_outcomes' => ['caller hung up']]);
        $first = $this->held('I want to hire a cement mixer on Friday for three days, my name is Rosa Lindqvist');
        $reminder = Delivery::query()->where('call_id', $first->id)->firstOrFail();
        self::assertSame(['waiting', '2026-03-12 09:00'], [$reminder->state, $reminder->due_at->setTimezone('Europe/London')->format('Y-m-d H:i')]);
        $this->deliver();
        self::assertSame('waiting', $reminder->refresh()->state);
        // The same caller rings again; the call ends with an outcome that takes the reminder back.
        $this->held('hello');
        self::assertSame('cancelled', $reminder->refresh()->state);
        Carbon::setTestNow('2026-03-12 09:30:00');
        $this->deliver();
        self::assertSame('cancelled', $reminder->refresh()->state);
    }

    public function testWhatAScriptPromisedIsWhatIsSent(): void
    {
        $call = $this->held();
        $call->update(['state' => ['sent' => [['by' => 'email', 'to' => 'dara@example.com', 'subject' => 'Your quote', 'text' => 'As promised.', 'file' => 'price-list.pdf', 'step' => 'send_quote', 'turn' => 3]]] + $call->state]);
        app(\App\Actions\Deliveries\QueueDeliveries::class)->after($call->refresh());
        $delivery = Delivery::query()->where('name', 'send step send quote')->firstOrFail();

        self::assertSame(['dara@example.com', 'Your quote', 'As promised.', 'price-list.pdf'], [$delivery->to, $delivery->subject, $delivery->body, $delivery->file]);
    }

    public function testRulesAreWrittenTriedAndRefusedWithAReason(): void
    {
        $this->held();
        $this->get('/pellbrook/post/rules/new')->assertOk();
        $this->post('/pellbrook/post/rules', ['name' => 'Planner', 'kind' => 'web', 'to' => 'https://hooks.pellbrook.example/x', 'mapping' => "name: caller_name\nday = start_date", 'active' => '1', 'only' => '1', 'parts' => [['value' => 'equipment', 'comparison' => 'known', 'than' => '']]])->assertRedirect()->assertSessionHas('notice', fn (string $words): bool => str_contains($words, 'whsec_'));
        $rule = DeliveryRule::query()->firstOrFail();
        self::assertSame([['name' => 'caller_name', 'day' => 'start_date'], ['value' => 'equipment', 'known' => true]], [$rule->mapping, $rule->when]);
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertOk()->assertSee('the condition holds');
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertDontSee((string) $rule->secret);
        $this->post("/pellbrook/post/rules/{$rule->id}/test")->assertRedirect()->assertSessionHas('notice', fn (string $words): bool => str_contains($words, '200 OK'));
        foreach ([[['kind' => 'web', 'to' => 'ftp://x'], 'to'], [['kind' => 'text', 'to' => ''], 'to'], [['kind' => 'email', 'to' => 'a@example.com', 'words' => ''], 'words'], [['kind' => 'row', 'mapping' => ''], 'mapping'], [['kind' => 'row', 'mapping' => 'what'], 'mapping'], [['kind' => 'text', 'to' => 'x', 'words' => 'y', 'timing_kind' => 'before'], 'timing_kind']] as [$wrong, $field]) {
            $this->from('/x')->post('/pellbrook/post/rules', ['name' => 'Wrong'] + $wrong)->assertSessionHasErrors($field);
        }
        $this->delete("/pellbrook/post/rules/{$rule->id}")->assertRedirect();
        $this->post("/pellbrook/post/rules/{$rule->id}/restore")->assertRedirect();
        self::assertSame(1, DeliveryRule::query()->count());
    }

    public function testThePostRoomListsEverythingAndStaffOnlyLook(): void
    {
        $rule = $this->rule(['name' => 'Text', 'kind' => 'text', 'to' => 'caller.number', 'words' => 'Thank you.']);
        $this->held();
        $this->deliver();
        $delivery = Delivery::query()->firstOrFail();
        $this->get('/pellbrook/post?state=sent&kind=text&q=Thank')->assertOk()->assertSee('07700 900199');
        $this->get("/pellbrook/post/deliveries/{$delivery->id}")->assertOk()->assertSee('Received at the other end');
        $this->post('/pellbrook/post/gateway', ['kind' => 'text', 'mode' => 'slow'])->assertRedirect();
        $this->postJson('/pellbrook/post/gateway', ['kind' => 'text', 'mode' => 'sings'])->assertStatus(422);
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/post')->assertOk()->assertDontSee('Ways out');
        $this->get("/pellbrook/post/rules/{$rule->id}")->assertForbidden();
        $this->post('/pellbrook/post/gateway', ['kind' => 'text', 'mode' => 'works'])->assertForbidden();
    }

    /** @param array<string, mixed> $rule */
    private function rule(array $rule): DeliveryRule
    {
        return DeliveryRule::query()->create($rule + ['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'to' => '', 'subject' => '', 'words' => '', 'when' => null, 'timing' => ['kind' => 'at_once'], 'cancel_outcomes' => [], 'mapping' => [], 'active' => true]);
    }

    private function held(string $words = 'I want to hire a cement mixer tomorrow for three days, my name is Rosa Lindqvist', string $kind = 'rehearsal'): Call
    {
        $ref = (string) $this->ring()->json('ref');
        Call::query()->where('ref', $ref)->update(['kind' => $kind]);
        $this->happens($ref, 1, 'said', $words);
        $this->happens($ref, 2, 'hung_up');

        return Call::query()->where('ref', $ref)->firstOrFail();
    }

    private function deliver(): void
    {
        app(DeliverDue::class)->run();
    }
}
