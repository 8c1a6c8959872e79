<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\CallHost;
use App\Models\Call;
use App\Models\Offer;
use App\Models\Person;
use App\Models\PromisedCallBack;
use App\Models\Role;
use App\Models\Team;
use Illuminate\Support\Carbon;
use Ringo\Dialogue\Event;

final class TransfersTest extends FeatureTestCase
{
    private Person $nora;

    private Person $hugo;

    protected function setUp(): void
    {
        parent::setUp();
        Carbon::setTestNow('2026-03-10T10:00:00Z');
        $this->nora = Person::query()->create(['business_id' => $this->business->id, 'key' => 'nora', 'name' => 'Nora Fell', 'number' => '+441632960101', 'presence' => 'available', 'site' => 'Oldmere']);
        $this->hugo = Person::query()->create(['business_id' => $this->business->id, 'key' => 'hugo', 'name' => 'Hugo Tarn', 'number' => null, 'presence' => 'available', 'site' => '']);
        $team = Team::query()->create(['business_id' => $this->business->id, 'key' => 'reservations', 'name' => 'Reservations', 'description' => 'hiring, reserving and extending machines', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 3]);
        $team->people()->attach($this->nora->id, ['position' => 0]);
    }

    public function testADeskTakesItHandsItOnAndTheCallKeepsItsWordsAndOutcome(): void
    {
        $ref = $this->ringing();
        $staff = $this->sits($this->nora, 'Nora');
        $this->actingAs($staff)->get('/pellbrook/desk')->assertOk()->assertSee('Take it')->assertSee('about a reservation');
        $offer = Offer::query()->where('status', 'ringing')->sole();
        $this->postJson("/pellbrook/desk/offers/{$offer->id}", ['how' => 'accept'])->assertOk();
        $this->postJson("/pellbrook/desk/offers/{$offer->id}", ['how' => 'accept'])->assertStatus(409);
        $this->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'say', 'text' => 'Nora here'])->assertOk();
        $this->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'note', 'text' => 'wants two'])->assertOk();
        $this->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'hand_on', 'text' => 'nobody'])->assertStatus(422);
        $this->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'hand_on', 'text' => 'hugo'])->assertOk();

        $other = $this->sits($this->hugo, 'Hugo');
        $this->actingAs($other)->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'say', 'text' => 'not mine yet'])->assertStatus(409);
        $this->get('/pellbrook/desk')->assertSee('handed on by Nora Fell')->assertSee('wants two');
        $this->postJson('/pellbrook/desk/offers/'.Offer::query()->where('status', 'ringing')->sole()->id, ['how' => 'accept'])->assertOk();
        $this->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'hang_up'])->assertOk();
        $call = Call::query()->where('ref', $ref)->sole();
        self::assertSame(['ended', 'transferred to Hugo Tarn', 'wants two'], [$call->status, $call->outcome, $call->staff_note]);
        self::assertSame('available', $this->hugo->refresh()->presence);
        self::assertSame(['taken', 'taken'], array_values(array_filter(array_column($call->marks ?? [], 'kind'), static fn (string $kind): bool => $kind === 'taken')));
        self::assertStringContainsString('Nora here', $call->turns()->where('by', 'staff')->sole()->text);
    }

    /** Both telephones ring; the second accepts in the very moment between looking and taking. */
    public function testOfTwoWhoTakeOneCallAtOnceOneHasItAndTheOtherIsToldWho(): void
    {
        Team::query()->sole()->people()->attach($this->hugo->id, ['position' => 1]);
        $ref = $this->ringing();
        $offers = Offer::query()->where('status', 'ringing')->orderBy('id')->get();
        self::assertCount(2, $offers);
        $call = Call::query()->where('ref', $ref)->sole();
        $mine = $offers->firstWhere('person_id', $this->hugo->id);
        $theirs = $offers->firstWhere('person_id', $this->nora->id);
        self::assertInstanceOf(Offer::class, $mine);
        self::assertInstanceOf(Offer::class, $theirs);
        $once = true;
        Call::retrieved(function (Call $read) use (&$once, $call, $theirs): void {
            if ($once && $read->id === $call->id) {
                $once = false;
                app(CallHost::class)->happen($call->refresh(), $call->step, Event::answered('nora', 99.0), $theirs);
            }
        });
        $this->actingAs($this->sits($this->hugo, 'Hugo'))->postJson("/pellbrook/desk/offers/{$mine->id}", ['how' => 'accept'])->assertStatus(409)->assertJsonPath('message', 'Nora Fell was quicker and has the call.');
        self::assertFalse($once, 'the race was run');
        $call->refresh();
        self::assertSame('nora', $call->state['connected']['person'] ?? null);
        self::assertSame(1, count(array_filter($call->marks ?? [], static fn (array $mark): bool => $mark['kind'] === 'taken')));
        self::assertSame(['available', 'busy'], [$this->hugo->refresh()->presence, $this->nora->refresh()->presence]);
    }

    public function testADeskPromisesACallBackAndTicksItOff(): void
    {
        $ref = $this->ringing();
        $staff = $this->sits($this->nora, 'Nora');
        $this->actingAs($staff)->postJson('/pellbrook/desk/offers/'.Offer::query()->sole()->id, ['how' => 'ring_back'])->assertOk();
        $call = Call::query()->where('ref', $ref)->sole();
        self::assertSame('call_back', $call->state['mode']);
        $this->actingAs($this->user(Role::Owner))->postJson("/pellbrook/handset/{$ref}", ['kind' => 'said', 'text' => 'tomorrow at ten', 'step' => $call->step])->assertOk();
        $promised = PromisedCallBack::query()->sole();
        self::assertSame(['+447700900199', '2026-03-11T10:00:00'], [$promised->number, $promised->due_at->format('Y-m-d\TH:i:s')]);
        $url = "/pellbrook/desk/call-backs/{$promised->id}";
        $this->actingAs($staff)->postJson($url, ['result' => 'no answer'])->assertOk();
        self::assertNull($promised->refresh()->done_at);
        $this->postJson($url, ['result' => 'reached'])->assertOk();
        self::assertSame($this->nora->id, $promised->refresh()->person_id);
        $this->postJson($url, ['result' => 'reached'])->assertStatus(409);
    }

    public function testSteppingInTakesTheCallFromTheAgent(): void
    {
        $this->actingAs($this->user());
        $ref = $this->ring()->json('ref');
        $this->actingAs($this->sits($this->hugo, 'Hugo'))->postJson("/pellbrook/desk/calls/{$ref}", ['do' => 'step_in'])->assertOk()->assertJsonPath('html', fn (string $html): bool => str_contains($html, 'with you'));
        self::assertSame('transferred to Hugo Tarn', Call::query()->where('ref', $ref)->sole()->outcome);
    }

    public function testWithoutADeskTheSimulatedColleagueDoesWhatTheHandsetSays(): void
    {
        foreach (['answers' => 'connected', 'busy' => 'call_back', 'declines' => 'call_back', 'no_answer' => 'call_back'] as $how => $mode) {
            $ref = $this->ringing($how === 'answers' ? Role::Designer : Role::Owner, $how.'@');
            $this->postJson("/pellbrook/handset/{$ref}/colleague", ['how' => $how, 'after' => 3])->assertOk();
            $this->getJson("/pellbrook/handset/{$ref}")->assertJsonPath('mode', 'ringing');
            Carbon::setTestNow(now()->addSeconds($how === 'no_answer' ? 40 : 4));
            $this->getJson("/pellbrook/handset/{$ref}")->assertOk()->assertJsonPath('mode', $mode);
            $this->postJson("/pellbrook/handset/{$ref}", ['kind' => 'hung_up', 'step' => Call::query()->where('ref', $ref)->value('step')])->assertOk();
            self::assertSame(0, Offer::query()->where('status', 'ringing')->count(), $how);
            $this->nora->update(['presence' => 'available']);
        }
    }

    public function testThePageSaysTheRulesAndTheTableWithReasons(): void
    {
        $this->actingAs($this->user());
        $this->get('/pellbrook/transfers?agent=maren')->assertOk()->assertSee('if we are closed')->assertSee('Who would be rung')->assertSee('one whose account number we have')->assertSee('everybody_else holds, it has no condition');
        $this->post('/pellbrook/teams', ['name' => 'Night desk', 'description' => 'anything at night', 'ring' => 'turn', 'seconds' => 15, 'waiting_most' => 2, 'people' => ['hugo']])->assertSessionHasNoErrors();
        $this->get('/pellbrook/transfers?said='.urlencode('I want to reserve a machine'))->assertOk()->assertSee('Reservations')->assertSee('Night desk');
        $this->from('/pellbrook/transfers')->post('/pellbrook/people', ['name' => 'Bad', 'number' => 'rubbish', 'presence' => 'available'])->assertSessionHasErrors('number');
    }

    public function testWhoMayDoWhat(): void
    {
        $staff = $this->sits($this->nora, 'Nora');
        $this->actingAs($staff);
        $this->get('/pellbrook/desk')->assertOk();
        $this->get('/pellbrook/callers')->assertOk();
        foreach (['/pellbrook/transfers', '/pellbrook/agents/maren/recognition', '/pellbrook/callers/callers.csv', '/pellbrook/callers/new'] as $url) {
            $this->get($url)->assertForbidden();
        }
        $this->delete("/pellbrook/callers/{$this->contact->id}", ['sure' => '1'])->assertForbidden();
        $this->post('/pellbrook/people', ['name' => 'X'])->assertForbidden();
    }

    private function ringing(Role $role = Role::Designer, string $prefix = ''): string
    {
        $this->actingAs(\App\Models\User::query()->where('email', $role->value.'@ringo.example')->first() ?? $this->user($role));
        $ref = $this->ring(['placed_at' => '2026-03-10T10:00'])->assertCreated()->json('ref');
        $this->happens($ref, 1, 'said', 'put me through to a person please about a reservation')->assertOk()->assertJsonPath('mode', 'ringing');

        return $ref;
    }

    private function sits(Person $person, string $name): \App\Models\User
    {
        $user = \App\Models\User::query()->create(['name' => $name, 'email' => mb_strtolower($name).'@ringo.example', 'password' => 'secret-words']);
        \App\Models\Membership::query()->create(['user_id' => $user->id, 'business_id' => $this->business->id, 'role' => Role::Staff]);
        $person->update(['user_id' => $user->id, 'desk_seen_at' => now()]);

        return $user;
    }
}
