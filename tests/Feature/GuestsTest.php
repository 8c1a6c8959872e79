<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\GuestPass;
use App\Models\GuestRemark;
use App\Models\Role;
use Illuminate\Support\Facades\Auth;

/** Somebody without an account rings one agent by a link and a code, for a while, and says what they thought of it. */
final class GuestsTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user()->refresh());
    }

    public function testAGuestRingsTheDraftAndSaysWhatTheyThought(): void
    {
        [$link, $code] = $this->pass('draft');
        $pass = GuestPass::query()->sole();
        self::assertStringNotContainsString($code, (string) $pass->code_hash, 'only its hash is kept');
        Auth::logout();
        $this->get($link)->assertOk()->assertSee('the manager, you are invited to ring')->assertDontSee($pass->button_token);
        $this->post($link, ['code' => $code === '000000' ? '000001' : '000000'])->assertSessionHasErrors(['code' => 'That is not the code.']);
        $this->post("{$link}/remarks", ['words' => 'hello'])->assertForbidden();
        $this->post($link, ['code' => substr($code, 0, 3).' '.substr($code, 3)])->assertRedirect($link);
        $this->get($link)->assertSee($pass->button_token);
        $this->json('GET', "/button/{$pass->button_token}", [], ['Origin' => url('')])->assertOk()->assertJson(['label' => 'Ring Maren', 'open' => true]);
        $this->json('GET', "/button/{$pass->button_token}", [], ['Origin' => 'https://elsewhere.example'])->assertNotFound();
        $call = $this->json('POST', "/button/{$pass->button_token}/calls", [], ['Origin' => url('')])->assertOk()->json();
        $this->json('POST', "/button/calls/{$call['pass']}", ['kind' => 'said', 'text' => 'I want to hire a mini digger', 'seen' => 0], ['Origin' => url('')])->assertOk()->assertJsonPath('turns.0.by', 'caller');
        $kept = Call::query()->sole();
        self::assertSame(['rehearsal', 'Guest: the manager', $pass->id, null], [$kept->kind, $kept->caller_name, $kept->guest_pass_id, $kept->release_id]);
        $this->post("{$link}/remarks", ['words' => ''])->assertSessionHasErrors('words');
        $this->post("{$link}/remarks", ['words' => 'It was too quick for me.'])->assertRedirect($link);
        self::assertSame($kept->id, GuestRemark::query()->sole()->call_id);
        $this->actingAs($this->user(Role::Owner));
        $this->get('/pellbrook/agents/maren/guests')->assertOk()->assertSee('It was too quick for me.')->assertSee('after this call');
    }

    public function testAPassEndsByTimeAndByHand(): void
    {
        [$link, $code] = $this->pass('1');
        [$other] = $this->pass('1');
        $this->delete('/pellbrook/agents/maren/guests/'.GuestPass::query()->latest('id')->firstOrFail()->id)->assertRedirect();
        $this->get($other)->assertSee('This link is over');
        $this->travel(8)->days();
        $this->get($link)->assertSee('This link is over');
        $this->post($link, ['code' => $code])->assertSessionHasErrors('code');
        $this->json('POST', '/button/'.GuestPass::query()->firstOrFail()->button_token.'/calls', [], ['Origin' => url('')])->assertNotFound();
    }

    public function testWhatCannotBeIsRefused(): void
    {
        $this->post('/pellbrook/agents/maren/guests', ['guest' => '', 'rings' => '1', 'days' => 0])->assertSessionHasErrors(['guest', 'days']);
        $this->post('/pellbrook/agents/maren/guests', ['guest' => 'A', 'rings' => '99', 'days' => 7])->assertSessionHasErrors('rings');
        $this->actingAs($this->user(Role::Staff));
        $this->post('/pellbrook/agents/maren/guests', ['guest' => 'A', 'rings' => 'draft', 'days' => 7])->assertForbidden();
        self::assertSame(0, GuestPass::query()->count());
    }

    /** @return array{string, string} link and code */
    private function pass(string $rings): array
    {
        $this->post('/pellbrook/agents/maren/guests', ['guest' => 'the manager', 'rings' => $rings, 'days' => 7])->assertSessionHasNoErrors();
        $told = session('pass');

        return [(string) $told['link'], (string) $told['code']];
    }
}
