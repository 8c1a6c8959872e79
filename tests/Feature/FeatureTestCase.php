<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Errands\KeepErrand;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Contact;
use App\Models\ContactNumber;
use App\Models\Draft;
use App\Models\Membership;
use App\Models\Release;
use App\Models\Role;
use App\Models\ScriptText;
use App\Models\User;
use App\StandIns\Yard;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Testing\TestResponse;

/** A small business with the demonstration's agent, one contact, and a user of each role. */
abstract class FeatureTestCase extends TestCase
{
    use RefreshDatabase;

    /** The migrations' own output is not looked at. */
    public $mockConsoleOutput = false;

    protected Business $business;

    protected Agent $agent;

    protected Contact $contact;

    public function createApplication(): Application
    {
        $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        // A cache outside this process remembers the test before.
        config('cache.default') === 'array' || Cache::flush();
        // Nobody listens there: stand-in systems are away unless a test has them answer.
        config(['ringo.stand_in_url' => 'http://127.0.0.1:9']);
        $this->business = Business::query()->create(['key' => 'pellbrook', 'name' => 'Pellbrook Hire', 'country' => 'GB', 'tz' => 'Europe/London']);
        $this->agent = Agent::query()->create(['business_id' => $this->business->id, 'key' => 'maren', 'name' => 'Maren', 'direction' => 'inbound']);
        $text = ScriptText::of($this->agent, (string) file_get_contents(database_path('demo/pellbrook/maren.json')));
        Draft::query()->create(['agent_id' => $this->agent->id, 'script_text_id' => $text->id, 'version' => 1]);
        Release::query()->create(['agent_id' => $this->agent->id, 'script_text_id' => $text->id, 'number' => 1, 'note' => '']);
        $this->business->update(['errand_hosts' => ['yard.pellbrook.example', 'accounts.pellbrook.example']]);
        foreach (json_decode((string) file_get_contents(database_path('demo/pellbrook/errands.json')), true)['errands'] as $design) {
            app(KeepErrand::class)->of($this->business, null, $design, isset($design['secret']) ? Yard::TOKEN : null);
        }
        $this->contact = Contact::query()->create(['business_id' => $this->business->id, 'name' => 'Nell Ashby', 'organisation' => 'Ashby Fencing', 'email' => '', 'facts' => ['depot' => 'oldmere']]);
        ContactNumber::query()->create(['contact_id' => $this->contact->id, 'business_id' => $this->business->id, 'e164' => '+447700900228', 'label' => 'main']);
    }

    protected function user(Role $role = Role::Designer, ?Business $business = null): User
    {
        $user = User::query()->create(['name' => ucfirst($role->value), 'email' => $role->value.'@ringo.example', 'password' => 'secret-words']);
        Membership::query()->create(['user_id' => $user->id, 'business_id' => ($business ?? $this->business)->id, 'role' => $role]);

        return $user;
    }

    /**
     * @param array<string, mixed> $choice
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function ring(array $choice = []): TestResponse
    {
        return $this->postJson('/pellbrook/agents/maren/ring', ['caller' => 'unknown', 'number' => '07700 900199', 'placed_at' => '2026-03-10T09:14', ...$choice]);
    }

    /**
     * Rings as `ring()` does, as a client's own call: what a rehearsal causes stays out of their rows, figures and contacts.
     *
     * @param array<string, mixed> $choice
     */
    protected function ringLive(array $choice = []): string
    {
        $ref = (string) $this->ring($choice)->json('ref');
        Call::query()->where('ref', $ref)->update(['kind' => 'live']);

        return $ref;
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    protected function happens(string $ref, int $step, string $kind, string $text = ''): TestResponse
    {
        return $this->postJson("/pellbrook/handset/{$ref}", ['kind' => $kind, 'text' => $text, 'step' => $step]);
    }
}
