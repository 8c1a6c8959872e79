<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Business;
use App\Models\Role;
use PHPUnit\Framework\Attributes\DataProvider;

final class SignInTest extends FeatureTestCase
{
    public function testSignsInAndOut(): void
    {
        $this->user();
        $this->post('/sign-in', ['email' => 'designer@ringo.example', 'password' => 'secret-words'])->assertRedirect('/');
        $this->get('/')->assertRedirect('/pellbrook');
        $this->get('/pellbrook')->assertOk()->assertSee('Board');
        $this->post('/sign-out')->assertRedirect('/sign-in');
        $this->get('/pellbrook')->assertRedirect('/sign-in');
    }

    public function testAWrongPasswordSaysWhatToDoAndTellsNothing(): void
    {
        $this->user();
        foreach (['designer@ringo.example', 'nobody@ringo.example'] as $email) {
            $this->from('/sign-in')->post('/sign-in', ['email' => $email, 'password' => 'wrong'])->assertRedirect('/sign-in')->assertSessionHasErrors(['email' => 'E-mail and password do not belong together. Try again, or have a new password sent to you.']);
        }
    }

    public function testTriesAreLimited(): void
    {
        for ($i = 0; $i < 6; $i++) {
            $this->post('/sign-in', ['email' => 'x@ringo.example', 'password' => 'wrong'])->assertStatus(302);
        }
        $this->post('/sign-in', ['email' => 'x@ringo.example', 'password' => 'wrong'])->assertStatus(429)->assertSee('Too many tries');
    }

    public function testSigningInRightIsNotCounted(): void
    {
        $this->user();
        for ($i = 0; $i < 9; $i++) {
            $this->post('/sign-in', ['email' => 'designer@ringo.example', 'password' => 'secret-words'])->assertRedirect();
            $this->post('/sign-out');
        }
        $this->get('/sign-in')->assertOk();
    }

    /** @param array<string, int> $expected status by role */
    #[DataProvider('routes')]
    public function testRolesDecideWhatOpens(string $method, string $path, array $expected): void
    {
        foreach ($expected as $role => $status) {
            $this->app?->make('auth')->forgetGuards();
            $user = $this->user(Role::from($role));
            $this->actingAs($user)->json($method, $path, ['caller' => 'withheld', 'placed_at' => '2026-03-10T09:14'])->assertStatus($status);
            $user->delete();
        }
    }

    /** @return iterable<string, array{string, string, array<string, int>}> */
    public static function routes(): iterable
    {
        yield 'board' => ['GET', '/pellbrook', ['owner' => 200, 'designer' => 200, 'staff' => 200]];
        yield 'calls' => ['GET', '/pellbrook/calls', ['owner' => 200, 'designer' => 200, 'staff' => 200]];
        yield 'records' => ['GET', '/pellbrook/calls/records.csv', ['owner' => 200, 'designer' => 200, 'staff' => 200]];
        yield 'prompt book' => ['GET', '/pellbrook/agents/maren/prompt-book', ['owner' => 200, 'designer' => 200, 'staff' => 403]];
        foreach (['agents', 'agents/new', 'agents/maren', 'agents/maren/call-map', 'agents/maren/text', 'agents/maren/recordings', 'agents/maren/releases', 'agents/maren/releases/compare', 'agents/maren/export', 'agents/maren/prompt-book/steps/help'] as $page) {
            yield $page => ['GET', "/pellbrook/{$page}", ['owner' => 200, 'designer' => 200, 'staff' => 403]];
        }
        yield 'edit' => ['DELETE', '/pellbrook/agents/maren/prompt-book/steps/help', ['staff' => 403, 'designer' => 200]];
        yield 'contacts' => ['GET', '/pellbrook/contacts/search', ['owner' => 200, 'designer' => 200, 'staff' => 403]];
        yield 'ring' => ['POST', '/pellbrook/agents/maren/ring', ['owner' => 201, 'designer' => 201, 'staff' => 403]];
    }

    public function testNobodySeesAnotherBusiness(): void
    {
        $other = Business::query()->create(['key' => 'quillmoor', 'name' => 'Quillmoor Linen', 'country' => 'GB', 'tz' => 'Europe/London']);
        $this->actingAs($this->user(Role::Owner, $other));

        $this->get('/quillmoor')->assertOk();
        foreach (['/pellbrook', '/pellbrook/calls', '/pellbrook/agents/maren/prompt-book'] as $path) {
            $this->get($path)->assertForbidden();
        }
        $this->get('/quillmoor/agents/maren/prompt-book')->assertNotFound();
    }

    public function testPagesCarryAStrictPolicy(): void
    {
        $policy = (string) $this->get('/sign-in')->headers->get('Content-Security-Policy');

        self::assertStringContainsString("script-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
    }
}
