<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Gateways\Speech\Voice;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\ScriptText;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;

final class HandsetTest extends FeatureTestCase
{
    public function testAWholeCallIsKeptWithItsRecord(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ring()->assertCreated()->assertJsonPath('status', 'in_progress')->json('ref');
        foreach (['I need a mini digger from next Tuesday for a fortnight', 'Oldmere', 'no thanks, we will collect it'] as $n => $line) {
            $this->happens($ref, $n + 1, 'said', $line)->assertOk()->assertJsonPath('step', $n + 2);
        }
        // The last was said while the stock was looked up: it counts once the yard has answered, or has not.
        Http::fake(['*' => Http::response('{"stock":[{"free":2}]}')]);
        $this->postJson("/pellbrook/handset/{$ref}/errand")->assertOk()->assertJsonPath('at_step', 'payment');
        $this->happens($ref, 5, 'keys', '7')->assertOk()->assertJsonPath('at_step', 'payment');
        $this->happens($ref, 6, 'keys', '1')->assertOk();
        $this->happens($ref, 7, 'silence')->assertOk();
        $this->happens($ref, 8, 'hung_up')->assertOk()->assertJsonPath('status', 'ended');

        $call = Call::query()->where('ref', $ref)->sole();
        $record = CallRecord::query()->where('call_id', $call->id)->sole();
        self::assertSame('2026-03-17', $record->cells['start_date']['value']);
        self::assertSame('account', $record->cells['payment']['value']);
        self::assertSame(['caller_name'], $record->missing);
        self::assertTrue($record->doubtful);
        self::assertSame('next Tuesday', $record->cells['start_date']['said']);
        self::assertSame(1, $record->cells['start_date']['turn']);
        self::assertSame('caller hung up', $call->outcome);
        self::assertSame(9, $call->steps()->count());
        $this->get("/pellbrook/calls/{$ref}")->assertOk()->assertSee('Tuesday 17 March 2026')->assertSee('data-fields="start_date"', false);
    }

    public function testTheCallerIsChosenAndNeverGuessed(): void
    {
        $this->actingAs($this->user());
        $this->ring(['number' => '07700 900228'])->assertStatus(422)->assertJsonValidationErrors(['number' => 'belongs to Nell Ashby']);
        $this->ring(['number' => 'abc'])->assertStatus(422)->assertJsonValidationErrors(['number' => 'is no telephone number']);
        $this->ring(['caller' => 'contact', 'contact' => '999'])->assertStatus(422)->assertJsonValidationErrors('contact');
        $this->ring(['placed_at' => '2026-02-31T25:00'])->assertStatus(422);
        self::assertSame(0, Call::query()->count());

        $this->ring(['caller' => 'contact', 'contact' => (string) $this->contact->id])->assertCreated()->assertJsonPath('caller', 'Nell Ashby');
        self::assertStringContainsString('Nell', Call::query()->sole()->turns()->firstOrFail()->text);
        $this->ring(['caller' => 'withheld'])->assertCreated();
        self::assertNull(Call::query()->latest('id')->firstOrFail()->from);
    }

    public function testTwoWindowsOnOneCallDoNotMixAndTwoCallsDoNotMeet(): void
    {
        $this->actingAs($this->user());
        $one = $this->ring()->json('ref');
        $two = $this->ring(['number' => '07700 900198'])->json('ref');
        $this->happens($one, 1, 'said', 'I need a breaker')->assertOk();
        $this->happens($one, 1, 'said', 'I need a generator')->assertStatus(409)->assertJsonPath('step', 2)->assertJsonPath('message', 'This call has gone on in another window. What you sent was not used; the page now shows how the call stands.');
        $this->happens($two, 1, 'said', 'I need a generator')->assertOk();

        $values = static fn (string $ref): mixed => Call::query()->where('ref', $ref)->sole()->state['values']['equipment']['value'];
        self::assertSame('breaker', $values($one));
        self::assertSame('generator', $values($two));
        $this->happens($one, 2, 'hung_up')->assertOk();
        $this->happens($one, 3, 'said', 'hello?')->assertStatus(409);
    }

    public function testAnExpiredSessionLosesNothing(): void
    {
        $user = $this->user();
        $this->actingAs($user);
        $ref = $this->ring()->json('ref');
        $this->app?->make('auth')->forgetGuards();
        $this->happens($ref, 1, 'said', 'I need a breaker')->assertUnauthorized()->assertJsonPath('message', 'Your session has ended. Sign in again; the call is kept as it is.');

        $this->actingAs($user)->getJson("/pellbrook/handset/{$ref}")->assertOk()->assertJsonPath('status', 'in_progress')->assertJsonPath('step', 1);
        $this->happens($ref, 1, 'said', 'I need a breaker')->assertOk();
    }

    public function testACallLeftHalfWayIsHungUpLaterAndKeepsItsRecord(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ring()->json('ref');
        $this->happens($ref, 1, 'said', 'I need a breaker tomorrow')->assertOk();
        $this->get('/pellbrook')->assertOk();
        self::assertSame('in_progress', Call::query()->where('ref', $ref)->sole()->status);
        $this->travel(31)->minutes();
        $this->get('/pellbrook')->assertOk();

        $call = Call::query()->where('ref', $ref)->sole();
        self::assertSame('ended', $call->status);
        self::assertSame('caller hung up', $call->outcome);
        self::assertSame('breaker', $call->record?->cells['equipment']['value']);
    }

    public function testRingsAgainWithTheSameCallerAndClockAndGoesBackToATurn(): void
    {
        $this->actingAs($this->user());
        $ref = (string) $this->ring(['caller' => 'contact', 'contact' => (string) $this->contact->id])->json('ref');
        foreach (['I need a breaker', 'tomorrow', 'for two days'] as $n => $line) {
            $this->happens($ref, $n + 1, 'said', $line)->assertOk();
        }
        $again = $this->postJson("/pellbrook/handset/{$ref}/again", ['steps' => 1])->assertCreated()->assertJsonPath('caller', 'Nell Ashby')->assertJsonPath('step', 1);
        $branch = $this->postJson("/pellbrook/handset/{$ref}/again", ['steps' => 3])->assertCreated()->assertJsonPath('step', 3)->assertJsonPath('at_step', 'hire_length');

        $calls = Call::query()->with('turns')->orderBy('id')->get();
        self::assertCount(3, $calls);
        self::assertSame('ended', $calls[0]->status, 'the call that was taken back is over');
        self::assertEquals($calls[0]->started_at, $calls[2]->started_at);
        self::assertSame($calls[0]->turns->take(5)->pluck('text')->all(), $calls[2]->turns->pluck('text')->all());
        $this->happens((string) $branch->json('ref'), 3, 'said', 'for a week')->assertOk();
        self::assertSame('P1W', Call::query()->whereKey($calls[2]->id)->sole()->state['values']['hire_length']['value']);
        self::assertNotSame($again->json('ref'), $branch->json('ref'));
    }

    public function testBreakingInCutsWhatTheAgentSaid(): void
    {
        $this->actingAs($this->user());
        $ref = (string) $this->ring()->json('ref');
        $this->postJson("/pellbrook/handset/{$ref}", ['kind' => 'interrupted', 'seconds' => 1.2, 'step' => 1])->assertOk();
        $this->happens($ref, 2, 'said', 'I need a breaker')->assertOk();
        $turns = Call::query()->where('ref', $ref)->sole()->turns;

        self::assertTrue($turns[0]->cut);
        self::assertStringEndsWith('…', $turns[0]->text);
        self::assertLessThan(40, strlen($turns[0]->text));
        self::assertLessThan(5.0, $turns[1]->at);
    }

    public function testHostileWordsAreKeptAsWords(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ring()->json('ref');
        $response = $this->happens($ref, 1, 'said', '<script>alert(1)</script> "; drop table calls; -- [caller.name] {{ 7*7 }}')->assertOk();
        self::assertStringNotContainsString('<script>alert', (string) $response->json('strip'));
        self::assertStringNotContainsString('<script>alert', (string) $response->json('trace'));
        $this->happens($ref, 2, 'said', str_repeat('a', 2001))->assertStatus(422);
        $this->happens($ref, 2, 'said', '')->assertStatus(422);
        $this->happens($ref, 2, 'keys', 'A')->assertStatus(422);
        $this->happens($ref, 2, 'hung_up')->assertOk();
        $this->get("/pellbrook/calls/{$ref}")->assertOk()->assertDontSee('<script>alert', false);
        $this->get('/pellbrook/calls?q='.urlencode('" OR 1=1 *'))->assertOk();
    }

    public function testABrokenDraftIsNotRungAndSaysWhy(): void
    {
        $this->actingAs($this->user());
        $text = ScriptText::of($this->agent, '{"agent":{"name":"M","business":"B"},"first":"x","steps":[]}');
        $this->agent->draft->update(['script_text_id' => $text->id]);

        $this->ring()->assertStatus(422)->assertJsonValidationErrors(['caller' => 'The draft cannot be rung yet.']);
        $this->get('/pellbrook/agents/maren/prompt-book')->assertStatus(422)->assertSee('a script needs at least one step');
    }

    public function testLinesAreSpokenOnceAndWithoutTheProgramsTheHandsetSaysSo(): void
    {
        $this->actingAs($this->user());
        $silent = new class implements Voice {
            public function available(string $engine): bool
            {
                return false;
            }

            public function wav(string $text, array $voice): ?string
            {
                return null;
            }
        };
        $this->app?->instance(Voice::class, $silent);
        $ring = $this->ring()->assertCreated()->assertJsonPath('voice_missing', true);
        $this->get($ring->json('play.0'))->assertStatus(503);
        DB::table('call_turns')->update(['by' => 'caller']);
        $this->get($ring->json('play.0'))->assertNotFound();
    }
}
