<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Api\Ability;
use App\Api\Description;
use App\Models\ApiToken;
use App\Models\ApiWrite;
use App\Models\Business;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Contact;
use App\Models\Role;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;

/** The interface for other systems: each answer as its description says, each token for its business and abilities alone, each write once. */
final class InterfaceTest extends FeatureTestCase
{
    public function testTokensAreMadeShownOnceAndRevoked(): void
    {
        $this->actingAs($this->user());
        $this->post('/pellbrook/interface/tokens', ['name' => 'Yard'])->assertSessionHasErrors('may');
        $this->post('/pellbrook/interface/tokens', ['name' => 'Yard', 'may' => ['everything']])->assertSessionHasErrors('may.0');
        $this->post('/pellbrook/interface/tokens', ['name' => 'Yard', 'may' => ['calls']])->assertSessionHasNoErrors();
        $shown = (string) session('token');
        $this->withSession(['token' => $shown])->get('/pellbrook/interface')->assertOk()->assertSee($shown)->assertSee('read calls');
        $this->flushSession();
        self::assertStringNotContainsString($shown, (string) $this->actingAs($this->user(Role::Owner)->refresh())->get('/pellbrook/interface')->assertOk()->assertSee('/outreach/people')->getContent());
        self::assertStringNotContainsString(explode('|', $shown)[1], (string) json_encode(ApiToken::query()->firstOrFail()->getAttributes()));
        $this->asks('GET', '/calls', $shown)->assertOk();
        self::assertNotNull(ApiToken::query()->firstOrFail()->last_used_at);
        $this->delete('/pellbrook/interface/tokens/'.ApiToken::query()->value('id'))->assertRedirect();
        $this->problem($this->asks('GET', '/calls', $shown), 401);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function operations(): iterable
    {
        foreach (Description::document('http://x/api/v1')['paths'] as $path => $methods) {
            foreach ($methods as $method => $one) {
                yield strtoupper($method)." {$path}" => [strtoupper($method), $path, $one['x-needs']];
            }
        }
    }

    #[DataProvider('operations')]
    public function testEachNeedsItsAbility(string $method, string $path, string $needs): void
    {
        $others = array_values(array_filter(Ability::cases(), static fn (Ability $one): bool => $one->value !== $needs));
        $address = strtr($path, ['{ref}' => 'x', '{id}' => '1', '{number}' => '07700900228', '{campaign}' => 'x']);
        $answer = $this->problem($this->asks($method, $address, $this->token($others)), 403);
        self::assertStringContainsString("“{$needs}”", $answer['detail']);
        $this->problem($this->asks($method, $address, '1|wrong'), 401);
        $this->problem($this->asks($method, $address, ''), 401);
    }

    public function testTheDescriptionAndTheRoutesAreTheSame(): void
    {
        $there = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if ($route instanceof Route && str_starts_with($route->uri(), 'api/v1/') && $route->uri() !== 'api/v1/openapi.json') {
                $there[] = array_values(array_diff($route->methods(), ['HEAD']))[0].' '.substr($route->uri(), 6);
            }
        }
        $described = array_keys(iterator_to_array(self::operations()));
        sort($there);
        sort($described);
        self::assertSame($described, $there);
        $document = $this->getJson('/api/v1/openapi.json')->assertOk()->json();
        self::assertSame('3.1.0', $document['openapi']);
        self::assertSame(range(0, count($document['paths']) - 1), array_keys(array_values($document['paths'])));
    }

    public function testCallsRecordsAndTranscriptsAreReadAsDescribed(): void
    {
        $refs = $this->calls();
        $token = $this->token([Ability::Calls, Ability::Transcripts, Ability::Records]);
        $page = $this->fits('GET', '/calls', $this->asks('GET', '/calls?limit=2', $token), 200);
        self::assertSame([$refs[2], $refs[1]], array_column($page['items'], 'ref'));
        $next = $this->fits('GET', '/calls', $this->asks('GET', '/calls?limit=2&cursor='.$page['next'], $token), 200);
        self::assertSame([[$refs[0]], null], [array_column($next['items'], 'ref'), $next['next']]);
        self::assertSame([], $this->fits('GET', '/calls', $this->asks('GET', '/calls?since=2027-01-01', $token), 200)['items']);
        $this->fits('GET', '/calls/{ref}', $this->asks('GET', "/calls/{$refs[0]}", $token), 200);
        $said = $this->fits('GET', '/calls/{ref}/transcript', $this->asks('GET', "/calls/{$refs[0]}/transcript", $token), 200);
        self::assertContains('I need a mini digger', array_column($said['turns'], 'text'));
        $vcon = $this->asks('GET', "/calls/{$refs[0]}/transcript?format=vcon", $token)->assertOk();
        self::assertSame(['application/vcon+json', '0.3.0'], [$vcon->headers->get('Content-Type'), $vcon->json('vcon') ?? '']);
        $record = $this->fits('GET', '/calls/{ref}/record', $this->asks('GET', "/calls/{$refs[0]}/record", $token), 200);
        self::assertSame($refs[0], $record['call']);
        self::assertCount(3, $this->fits('GET', '/records', $this->asks('GET', '/records', $token), 200)['items']);
        foreach (['/calls?limit=0' => 422, '/calls?limit=9999' => 422, '/calls?cursor=nonsense' => 422, '/calls?since=yesterday' => 422, '/calls/nothing' => 404, '/nothing' => 404, '/calls/../../up' => 404] as $address => $status) {
            $this->problem($this->asks('GET', $address, $token), $status);
        }
        $this->problem($this->asks('DELETE', '/calls', $token), 405);
    }

    public function testWhatIsKeptForOwnersIsShownOnlyToATokenThatMaySeeIt(): void
    {
        $refs = $this->calls();
        $document = json_decode($this->agent->draft()->firstOrFail()->scriptText()->firstOrFail()->document, true);
        $document['sheet']['properties']['caller_name']['x-sees'] = 'owner';
        $this->agent->draft()->firstOrFail()->update(['script_text_id' => \App\Models\ScriptText::of($this->agent, (string) json_encode($document))->id]);
        $call = Call::query()->with('record')->where('ref', $refs[0])->firstOrFail();
        $call->record?->update(['cells' => ['caller_name' => ['value' => 'Ottoline Fenn', 'display' => 'Ottoline Fenn', 'confidence' => 0.9, 'origin' => 'asked', 'turn' => 1, 'said' => 'Ottoline Fenn', 'confirmed' => true, 'doubt' => null]], 'summary' => 'Ottoline Fenn wants a digger']);
        $call->update(['caller_name' => 'Ottoline Fenn', 'contact_id' => null]);
        $all = [Ability::Calls, Ability::Transcripts, Ability::Records];
        foreach (["/calls/{$refs[0]}", "/calls/{$refs[0]}/record", "/calls/{$refs[0]}/transcript", '/records', '/calls', "/calls/{$refs[0]}/transcript?format=vcon"] as $address) {
            self::assertStringNotContainsString('Ottoline', (string) $this->asks('GET', $address, $this->token($all))->assertOk()->getContent(), $address);
        }
        self::assertStringContainsString('Ottoline', (string) $this->asks('GET', "/calls/{$refs[0]}/record", $this->token([...$all, Ability::KeptBack]))->getContent());
    }

    public function testCallersAreWrittenByNumberAndWhatIsNotGivenStays(): void
    {
        $this->user();
        $this->user(Role::Owner);
        $token = $this->token([Ability::Contacts, Ability::ContactsWrite]);
        $changed = $this->fits('PUT', '/contacts/by-number/{number}', $this->asks('PUT', '/contacts/by-number/07700900228', $token, ['email' => 'Nell@Ashby.example', 'facts' => ['account' => 'A1']]), 200);
        self::assertSame(['Nell Ashby', 'nell@ashby.example', ['account' => 'A1', 'depot' => 'oldmere'], ['+447700900228']], [$changed['name'], $changed['email'], $changed['facts'], $changed['numbers']]);
        $made = $this->fits('PUT', '/contacts/by-number/{number}', $this->asks('PUT', '/contacts/by-number/07700900777', $token, ['name' => 'Piers Norbury', 'tags' => ['weekly', 'trade'], 'consent_on' => '2026-02-01']), 201);
        self::assertSame([['weekly', 'trade'], '2026-02-01', ['+447700900777']], [$made['tags'], $made['consent_on'], $made['numbers']]);
        $made = $this->fits('POST', '/contacts', $response = $this->asks('POST', '/contacts', $token, ['name' => 'Una Zell', 'numbers' => ['07700 900778']]), 201);
        self::assertSame("/api/v1/contacts/{$made['id']}", $response->headers->get('Location'));
        $this->fits('GET', '/contacts/{id}', $this->asks('GET', "/contacts/{$made['id']}", $token), 200);
        self::assertTrue($this->fits('PATCH', '/contacts/{id}', $this->asks('PATCH', "/contacts/{$made['id']}", $token, ['do_not_call' => true]), 200)['do_not_call']);
        self::assertSame(['Una Zell'], array_column($this->fits('GET', '/contacts', $this->asks('GET', '/contacts?q=900778', $token), 200)['items'], 'name'));
        self::assertSame(409, $this->asks('POST', '/contacts', $token, ['name' => 'Again', 'numbers' => ['07700 900778']])->getStatusCode());
        self::assertSame(409, $this->asks('PATCH', "/contacts/{$made['id']}", $token, ['numbers' => ['07700 900777']])->getStatusCode());
        $wrong = $this->problem($this->asks('POST', '/contacts', $token, ['name' => ' ', 'email' => 'x', 'tags' => ['a,b'], 'consent_on' => '2026-13-01']), 422);
        self::assertEqualsCanonicalizing(['/name', '/email', '/tags/0', '/consent_on'], array_unique(array_column($wrong['errors'], 'pointer')));
        self::assertSame('/numbers/1', $this->problem($this->asks('POST', '/contacts', $token, ['name' => 'A', 'numbers' => ['07700 900790', 'none']]), 422)['errors'][0]['pointer']);
        $this->problem($this->call('POST', '/api/v1/contacts', server: ['HTTP_AUTHORIZATION' => "Bearer {$token}", 'CONTENT_TYPE' => 'application/json'], content: '{"name":'), 400);
        $this->problem($this->call('POST', '/api/v1/contacts', ['name' => 'A'], server: ['HTTP_AUTHORIZATION' => "Bearer {$token}"]), 415);
        $this->problem($this->call('PUT', '/api/v1/contacts/by-number/07700900791', server: ['HTTP_AUTHORIZATION' => "Bearer {$token}", 'CONTENT_TYPE' => 'application/json'], content: "{\"name\": \"\xff\"}"), 400);
    }

    public function testAWriteThatNamesItselfIsDoneOnce(): void
    {
        $this->user(Role::Owner);
        $token = $this->token([Ability::ContactsWrite]);
        $body = ['name' => 'Wren Ashby', 'numbers' => ['07700 900801']];
        $first = $this->asks('POST', '/contacts', $token, $body, ['Idempotency-Key' => 'a-1']);
        $again = $this->asks('POST', '/contacts', $token, $body, ['Idempotency-Key' => 'a-1']);
        self::assertSame([201, 201, $first->getContent(), 'true', $first->headers->get('Location')], [$first->getStatusCode(), $again->getStatusCode(), $again->getContent(), $again->headers->get('Idempotent-Replay'), $again->headers->get('Location')]);
        self::assertSame(1, Contact::query()->where('name', 'Wren Ashby')->count());
        $this->problem($this->asks('POST', '/contacts', $token, ['name' => 'Somebody else'], ['Idempotency-Key' => 'a-1']), 422);
        $this->problem($this->asks('POST', '/contacts', $token, ['name' => ''], ['Idempotency-Key' => 'a-2']), 422);
        self::assertSame(201, $this->asks('POST', '/contacts', $token, ['name' => 'Right now'], ['Idempotency-Key' => 'a-2'])->getStatusCode(), 'what failed may be tried again under its name');
        ApiWrite::query()->create(['token_id' => ApiToken::query()->value('id'), 'key' => 'a-3', 'request' => hash('sha256', "POST\n/api/v1/contacts\n".json_encode($body)), 'status' => 0, 'headers' => []]);
        self::assertSame('1', $this->asks('POST', '/contacts', $token, $body, ['Idempotency-Key' => 'a-3'])->assertStatus(409)->headers->get('Retry-After'));
        $this->problem($this->asks('POST', '/contacts', $token, $body, ['Idempotency-Key' => 'two words']), 422);
    }

    public function testAnAnswerThatDidNotChangeIsNotSentTwice(): void
    {
        $token = $this->token([Ability::Contacts]);
        $tag = (string) $this->asks('GET', '/contacts', $token)->headers->get('ETag');
        $unchanged = $this->asks('GET', '/contacts', $token, headers: ['If-None-Match' => $tag]);
        self::assertSame([304, ''], [$unchanged->getStatusCode(), $unchanged->getContent()]);
        $this->contact->update(['name' => 'Nell Ashby-Fenn']);
        self::assertSame(200, $this->asks('GET', '/contacts', $token, headers: ['If-None-Match' => $tag])->getStatusCode());
    }

    public function testAMinuteBearsSoManyRequestsAndSaysSo(): void
    {
        $token = $this->token([Ability::Contacts]);
        $first = $this->asks('GET', '/contacts', $token);
        self::assertSame(['120', '119'], [$first->headers->get('RateLimit-Limit'), $first->headers->get('RateLimit-Remaining')]);
        for ($n = 1; $n < 120; $n++) {
            $this->asks('GET', '/contacts?limit=1', $token);
        }
        $refused = $this->asks('GET', '/contacts', $token);
        $this->problem($refused, 429);
        self::assertGreaterThan(0, (int) $refused->headers->get('Retry-After'));
        if (config('cache.default') === 'redis') {
            // Redis counts by its own clock, which no test can set.
            return;
        }
        $this->travel(61)->seconds();
        self::assertSame(200, $this->asks('GET', '/contacts', $token)->getStatusCode());
    }

    public function testPeopleAreRungFormsHandedInAndBookingsRead(): void
    {
        $this->travelTo('2026-03-02 09:00:00');
        $token = $this->token([Ability::Outreach, Ability::Forms, Ability::Bookings]);
        $campaign = Campaign::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'release_id' => $this->agent->releases()->value('id'), 'launched_at' => now(), 'name' => 'Requests', 'key' => 'requests', 'document' => ['key' => 'requests', 'purpose' => 'their request', 'windows' => ['mon' => ['10:00-18:00'], 'tue' => ['10:00-18:00']], 'start' => '2026-03-01', 'end' => '2026-03-31', 'consent' => true], 'lines' => 2, 'a_minute' => 6, 'stops' => [], 'state' => Campaign::RUNNING, 'clock' => 'real', 'seed' => '1', 'held' => []]);
        $person = $this->fits('POST', '/outreach/people', $response = $this->asks('POST', '/outreach/people', $token, ['campaign' => 'requests', 'phone' => '07700 900822', 'name' => 'Ida Fell', 'consent' => '2026-03-01', 'facts' => ['wish' => 'a digger']]), 202);
        self::assertSame(['waiting', '2026-03-02T10:00:00Z', null], [$person['state'], $person['next_at'], $person['why']]);
        $this->fits('GET', '/outreach/people/{id}', $this->asks('GET', substr((string) $response->headers->get('Location'), 7), $token), 200);
        self::assertSame(['wish' => 'a digger', 'name' => 'Ida Fell', 'first_name' => 'Ida'], CampaignPerson::query()->firstOrFail()->facts);
        self::assertSame('no_consent', $this->fits('POST', '/outreach/people', $this->asks('POST', '/outreach/people', $token, ['campaign' => 'requests', 'phone' => '07700 900823']), 202)['why'], 'nobody is rung without consent, whoever asks');
        self::assertSame('/phone', $this->problem($this->asks('POST', '/outreach/people', $token, ['campaign' => 'requests', 'phone' => '07700 900822']), 422)['errors'][0]['pointer']);
        $this->problem($this->asks('POST', '/outreach/people', $token, ['campaign' => 'none', 'phone' => '07700 900822']), 404);
        $this->problem($this->asks('POST', '/outreach/requests/forms', $token, ['name' => 'Ann']), 409);
        $campaign->update(['intake' => ['map' => []], 'intake_token' => 'x']);
        self::assertNull($this->fits('POST', '/outreach/{campaign}/forms', $this->asks('POST', '/outreach/requests/forms', $token, ['name' => 'Ann Lowther', 'phone' => '07700 900824', 'consent' => true, 'wish' => 'a tower']), 202)['held']);
        self::assertSame('double', $this->fits('POST', '/outreach/{campaign}/forms', $this->asks('POST', '/outreach/requests/forms', $token, ['name' => 'Ann Lowther', 'phone' => '07700 900824', 'consent' => 'yes']), 200)['held']);
        $campaign->update(['state' => Campaign::DONE]);
        $this->problem($this->asks('POST', '/outreach/people', $token, ['campaign' => 'requests', 'phone' => '07700 900825']), 409);
        $this->fits('GET', '/bookings', $this->asks('GET', '/bookings?from=2026-01-01', $token), 200);
    }

    public function testNothingOfAnotherBusinessIsThere(): void
    {
        $refs = $this->calls();
        $other = Business::query()->create(['key' => 'harrowell', 'name' => 'Harrowell', 'country' => 'GB', 'tz' => 'Europe/London']);
        $token = $this->token(Ability::cases(), $other);
        foreach (["/calls/{$refs[0]}", "/calls/{$refs[0]}/record", "/calls/{$refs[0]}/transcript", "/contacts/{$this->contact->id}"] as $address) {
            $this->problem($this->asks('GET', $address, $token), 404);
        }
        foreach (['/calls', '/records', '/contacts', '/bookings'] as $address) {
            self::assertSame([], $this->asks('GET', $address, $token)->assertOk()->json('items'));
        }
        $this->problem($this->asks('PATCH', "/contacts/{$this->contact->id}", $token, ['name' => 'Taken']), 404);
        $other->update(['archived_at' => now()]);
        $this->problem($this->asks('GET', '/calls', $token), 401);
    }

    /** @return list<string> references, in order */
    private function calls(): array
    {
        $this->actingAs($this->user(Role::Staff));
        $this->actingAs(\App\Models\User::query()->firstOrFail()->refresh());
        \App\Models\Membership::query()->update(['role' => Role::Designer]);
        $refs = [];
        foreach (range(0, 2) as $n) {
            $refs[] = $ref = $this->ringLive(['number' => "07700 90019{$n}"]);
            $this->happens($ref, 1, 'said', 'I need a mini digger');
            $this->happens($ref, 2, 'hung_up');
        }

        return $refs;
    }

    /** @param list<Ability> $may */
    private function token(array $may, ?Business $business = null): string
    {
        $plain = 'ringo_'.bin2hex(random_bytes(12));
        $token = ($business ?? $this->business)->apiTokens()->create(['name' => 'a system', 'token' => hash('sha256', $plain), 'abilities' => array_map(static fn (Ability $one): string => $one->value, $may)]);

        return "{$token->id}|{$plain}";
    }

    /**
     * @param ?array<string, mixed> $body
     * @param array<string, string> $headers
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function asks(string $method, string $address, string $token, ?array $body = null, array $headers = []): TestResponse
    {
        $server = ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'] + ($token === '' ? [] : ['HTTP_AUTHORIZATION' => "Bearer {$token}"]);
        foreach ($headers as $name => $value) {
            $server['HTTP_'.strtoupper(str_replace('-', '_', $name))] = $value;
        }

        return $this->call($method, "/api/v1{$address}", server: $server, content: $body === null ? null : (string) json_encode($body));
    }

    /**
     * Holds an answer to what the description says of it.
     *
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $response
     *
     * @return array<string, mixed>
     */
    private function fits(string $method, string $path, TestResponse $response, int $status): array
    {
        self::assertSame($status, $response->getStatusCode(), (string) $response->getContent());
        $document = Description::document('http://localhost/api/v1');
        $answer = $document['paths'][$path][strtolower($method)]['responses'][$status] ?? self::fail("{$method} {$path} tells nothing of {$status}");
        $this->holds($document, $answer['content']['application/json']['schema'], $response);

        return $response->json();
    }

    /**
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $response
     *
     * @return array<string, mixed>
     */
    private function problem(TestResponse $response, int $status): array
    {
        self::assertSame([$status, 'application/problem+json'], [$response->getStatusCode(), $response->headers->get('Content-Type')], (string) $response->getContent());
        $this->holds(Description::document(''), ['$ref' => '#/components/schemas/Problem'], $response);
        self::assertSame($status, $response->json('status'));

        return $response->json();
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, mixed> $schema
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $response
     */
    private function holds(array $document, array $schema, TestResponse $response): void
    {
        $whole = json_decode((string) json_encode(['$schema' => 'https://json-schema.org/draft/2020-12/schema', 'components' => $document['components']] + $schema));
        $result = (new Validator)->validate(json_decode((string) $response->getContent()), $whole);
        $error = $result->error();
        self::assertNull($error, $error === null ? '' : (string) json_encode((new ErrorFormatter)->format($error)).$response->getContent());
    }
}
