<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Gateways\Post\AccountMail;
use App\Models\AuditEntry;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use App\Support\OneTimeCode;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;

/** People let in and out, passwords, the second factor, and what is remembered of it. */
final class AccountsTest extends FeatureTestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->owner = $this->user(Role::Owner)->refresh();
        $this->actingAs($this->owner);
    }

    public function testAnInvitationLetsSomebodyInOnce(): void
    {
        $link = $this->invited('Nadia@ringo.example');
        self::assertStringContainsString($link, $this->mail());
        self::assertStringNotContainsString(basename($link), (string) json_encode(Invitation::query()->get()), 'only the hash is kept');
        Auth::logout();
        $this->get($link)->assertOk()->assertSee('You are invited to')->assertSee('Pellbrook Hire');
        $this->post($link, ['name' => 'Nadia', 'password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
        $this->post($link, ['name' => 'Nadia', 'password' => 'long-enough-words', 'password_confirmation' => 'others-than-those'])->assertSessionHasErrors('password');
        $this->post($link, ['name' => 'Nadia', 'password' => 'long-enough-words', 'password_confirmation' => 'long-enough-words'])->assertRedirect('/pellbrook');
        $nadia = User::query()->where('email', 'nadia@ringo.example')->firstOrFail();
        self::assertSame(Role::Designer, $nadia->roleIn($this->business));
        Auth::logout();
        $this->post($link, ['name' => 'Again', 'password' => 'long-enough-words', 'password_confirmation' => 'long-enough-words'])->assertSessionHasErrors('invitation');
        $this->get($link)->assertSee('was taken up');
        self::assertTrue(AuditEntry::query()->where('did', 'joined')->exists());
    }

    public function testWhoHasAnAccountJoinsWithTheirOwnPassword(): void
    {
        $known = User::query()->create(['name' => 'Known', 'email' => 'known@ringo.example', 'password' => 'secret-words']);
        $link = $this->invited('known@ringo.example', 'staff');
        Auth::logout();
        $this->post($link, ['password' => 'guessed-words'])->assertSessionHasErrors('password');
        self::assertNull($known->roleIn($this->business));
        $this->post($link, ['password' => 'secret-words'])->assertRedirect();
        self::assertSame(Role::Staff, $known->roleIn($this->business));
    }

    public function testAnInvitationEndsByTimeAndByBeingWithdrawn(): void
    {
        $late = $this->invited('late@ringo.example');
        $gone = $this->invited('gone@ringo.example');
        $this->delete('/pellbrook/accounts/invitations/'.Invitation::query()->where('email', 'gone@ringo.example')->sole()->id)->assertRedirect();
        $this->get($gone)->assertSee('This invitation is over');
        $this->travel(8)->days();
        $this->get($late)->assertSee('This invitation is over');
        $this->post('/pellbrook/accounts/invitations', ['email' => 'owner@ringo.example', 'role' => 'staff'])->assertSessionHasErrors(['email' => 'Owner is in Pellbrook Hire already.']);
        $this->post('/pellbrook/accounts/invitations', ['email' => 'no address', 'role' => 'king'])->assertSessionHasErrors(['email', 'role']);
    }

    public function testABusinessKeepsAnOwner(): void
    {
        $designer = $this->user();
        $this->put("/pellbrook/accounts/{$this->owner->id}", ['role' => 'designer'])->assertSessionHasErrors(['account' => 'Pellbrook Hire must keep an owner. Make somebody else one first.']);
        $this->delete("/pellbrook/accounts/{$this->owner->id}")->assertSessionHasErrors('account');
        $this->put("/pellbrook/accounts/{$designer->id}", ['role' => 'owner'])->assertSessionHasNoErrors();
        $this->delete("/pellbrook/accounts/{$this->owner->id}")->assertRedirect('/');
        self::assertSame([Role::Owner], Membership::query()->where('business_id', $this->business->id)->get()->map(static fn (Membership $one): Role => $one->role)->all());
        $this->get('/pellbrook')->assertForbidden();
    }

    #[DataProvider('others')]
    public function testOnlyOwnersLetPeopleInAndOut(Role $role, int $looks): void
    {
        $this->actingAs($this->user($role));
        $this->get('/pellbrook/accounts')->assertStatus($looks);
        $this->post('/pellbrook/accounts/invitations', ['email' => 'a@ringo.example', 'role' => 'owner'])->assertForbidden();
        $this->put("/pellbrook/accounts/{$this->owner->id}", ['role' => 'staff'])->assertForbidden();
        $this->delete("/pellbrook/accounts/{$this->owner->id}")->assertForbidden();
        $this->post('/businesses/pellbrook/archive')->assertForbidden();
    }

    /** @return iterable<string, array{Role, int}> */
    public static function others(): iterable
    {
        yield 'designer' => [Role::Designer, 200];
        yield 'staff' => [Role::Staff, 403];
    }

    public function testAForgottenPasswordIsSetAnewOnceAndEndsOtherSessions(): void
    {
        Auth::logout();
        $this->post('/forgot', ['email' => 'nobody@ringo.example'])->assertRedirect('/sign-in');
        self::assertSame([], Storage::disk('local')->files(AccountMail::FOLDER), 'no mail where there is no account');
        $this->post('/forgot', ['email' => 'owner@ringo.example'])->assertRedirect('/sign-in');
        self::assertSame(1, preg_match('~http\S+/password/\w+~', $this->mail(), $m));
        $link = (string) ($m[0] ?? '');
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->owner->id, 'payload' => '', 'last_activity' => time()]);
        $this->get($link)->assertSee('owner@ringo.example');
        $this->post($link, ['password' => 'quite-new-words', 'password_confirmation' => 'quite-new-words'])->assertRedirect('/sign-in');
        self::assertTrue(Hash::check('quite-new-words', $this->owner->refresh()->password));
        self::assertFalse(DB::table('sessions')->where('id', 'elsewhere')->exists());
        $this->post($link, ['password' => 'even-newer-words', 'password_confirmation' => 'even-newer-words'])->assertSessionHasErrors('password');
    }

    public function testTheSecondFactorIsAskedForAndEachCodeCountsOnce(): void
    {
        $this->post('/account/second', ['current' => 'wrong'])->assertSessionHasErrors('current');
        $this->post('/account/second', ['current' => 'secret-words'])->assertSessionHasNoErrors();
        $secret = (string) session('second.secret');
        $codes = new OneTimeCode;
        $this->put('/account/second', ['code' => '000000'])->assertSessionHasErrors('code');
        $this->put('/account/second', ['code' => $codes->at($secret, now()->getTimestamp())])->assertSessionHasNoErrors();
        $recovery = session('recovery');
        self::assertCount(8, $recovery);
        self::assertStringNotContainsString($secret, (string) DB::table('users')->where('id', $this->owner->id)->value('second_secret'), 'encrypted');
        self::assertStringNotContainsString($recovery[0], (string) DB::table('users')->where('id', $this->owner->id)->value('recovery_codes'), 'hashed');
        Auth::logout();
        $this->travel(60)->seconds();
        $code = $codes->at($secret, now()->getTimestamp());
        $this->post('/sign-in', ['email' => 'owner@ringo.example', 'password' => 'secret-words'])->assertRedirect('/sign-in/code');
        self::assertGuest();
        $this->post('/sign-in/code', ['code' => '123456'])->assertSessionHasErrors('code');
        $this->post('/sign-in/code', ['code' => $code])->assertRedirect();
        self::assertAuthenticatedAs($this->owner);
        Auth::logout();
        $this->post('/sign-in', ['email' => 'owner@ringo.example', 'password' => 'secret-words']);
        $this->post('/sign-in/code', ['code' => $code])->assertSessionHasErrors('code');
        $this->post('/sign-in/code', ['code' => strtoupper($recovery[0])])->assertRedirect();
        self::assertAuthenticatedAs($this->owner);
        Auth::logout();
        $this->post('/sign-in', ['email' => 'owner@ringo.example', 'password' => 'secret-words']);
        $this->post('/sign-in/code', ['code' => $recovery[0]])->assertSessionHasErrors('code');
        $this->travel(11)->minutes();
        $this->post('/sign-in/code', ['code' => $codes->at($secret, now()->getTimestamp())])->assertRedirect('/sign-in');
        self::assertGuest();
    }

    /** The published test vectors of RFC 6238, appendix B, for SHA-1. */
    #[DataProvider('vectors')]
    public function testOneTimeCodesAreThePublishedOnes(int $time, string $code): void
    {
        // '12345678901234567890' in Base32.
        self::assertSame($code, (new OneTimeCode)->at('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ', $time, 8));
    }

    /** @return list<array{int, string}> */
    public static function vectors(): array
    {
        return [[59, '94287082'], [1_111_111_109, '07081804'], [1_111_111_111, '14050471'], [1_234_567_890, '89005924'], [2_000_000_000, '69279037'], [20_000_000_000, '65353130']];
    }

    public function testOwnPasswordAndSessions(): void
    {
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->owner->id, 'payload' => '', 'last_activity' => time() - 90, 'user_agent' => 'a telephone']);
        $this->get('/account')->assertOk()->assertSee('a telephone')->assertDontSee('elsewhere');
        $this->delete('/account/sessions', ['session' => hash('sha256', 'elsewhere')])->assertRedirect();
        self::assertFalse(DB::table('sessions')->where('id', 'elsewhere')->exists());
        $this->put('/account', ['name' => 'Olwen', 'current' => 'wrong', 'password' => 'quite-new-words', 'password_confirmation' => 'quite-new-words'])->assertSessionHasErrors('current');
        $this->put('/account', ['name' => 'Olwen', 'current' => 'secret-words', 'password' => 'quite-new-words', 'password_confirmation' => 'quite-new-words'])->assertSessionHasNoErrors();
        self::assertSame(['Olwen', true], [$this->owner->refresh()->name, Hash::check('quite-new-words', $this->owner->password)]);
    }

    public function testTheHistoryIsSearched(): void
    {
        $this->invited('nadia@ringo.example');
        $this->get('/pellbrook/history?q=nadia')->assertOk()->assertSee('nadia@ringo.example as designer');
        $this->get('/pellbrook/history?q=nothing-like-it')->assertSee('Nothing fits.');
        $this->get('/pellbrook/history?q=%25')->assertSee('Nothing fits.');
    }

    private function invited(string $email, string $role = 'designer'): string
    {
        $this->post('/pellbrook/accounts/invitations', ['email' => $email, 'role' => $role])->assertSessionHasNoErrors();

        return (string) session('invited')['link'];
    }

    private function mail(): string
    {
        $files = Storage::disk('local')->files(AccountMail::FOLDER);

        return (string) Storage::disk('local')->get((string) end($files));
    }
}
