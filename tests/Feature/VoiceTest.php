<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Lines\KeepLine;
use App\Models\Call;
use App\Models\Line;
use App\Models\Person;
use App\Models\Role;
use App\Models\Team;
use App\StandIns\VoiceBrowser;
use PHPUnit\Framework\Attributes\DataProvider;

/** Whole calls through VoiceXML: a strict voice browser fetches them turn by turn. */
final class VoiceTest extends FeatureTestCase
{
    private string $password = '';

    protected function setUp(): void
    {
        parent::setUp();
        $owner = $this->user(Role::Owner)->refresh();
        $keep = app(KeepLine::class);
        $line = $keep->make($this->business->refresh(), ['key' => 'main', 'name' => 'Main', 'number' => '01632 960100', 'agent' => 'maren', 'answers' => ['otherwise' => ['who' => 'agent']]], 'number', $owner);
        $keep->live($line, $this->agent->releases()->firstOrFail(), $owner);
        $this->actingAs($owner);
        $this->post('/pellbrook/lines/main/voice')->assertRedirect();
        $this->password = (string) session('voice')['password'];
        self::assertStringNotContainsString($this->password, (string) $line->refresh()->voice_hash);
    }

    public function testAWholeCallIsHeldAndLeavesItsRecord(): void
    {
        $browser = $this->browser('tel:+447700900228');
        $browser->ring(route('voice', ['pellbrook', 'main']), ['I would like to hire a mini digger', 'tomorrow', '', 'three days']);
        $call = Call::query()->with('turns', 'record')->sole();
        self::assertSame(['live', 'voice gateway', '+447700900228', 'Nell Ashby', 'ended', 'caller hung up'], [$call->kind, $call->origin, $call->from, $call->caller_name, $call->status, $call->outcome]);
        self::assertStringContainsString('Nell', $browser->spoken[0], 'known by the number it rang from');
        self::assertSame(['I would like to hire a mini digger', 'tomorrow', 'three days'], $call->turns->where('by', 'caller')->pluck('text')->values()->all());
        self::assertArrayHasKey('hire_length', $call->record->cells ?? []);
        self::assertCount($call->turns->where('by', 'agent')->count(), $browser->spoken, 'each line is spoken once');
    }

    public function testKeysAndGoodbyeToTheEnd(): void
    {
        $browser = $this->browser();
        $browser->ring(route('voice', ['pellbrook', 'main']), ['#*', 'goodbye', 'no, that is all, goodbye', 'goodbye']);
        self::assertTrue($browser->over || Call::query()->sole()->outcome === 'caller hung up');
        self::assertSame('ended', Call::query()->sole()->status);
        self::assertTrue((bool) Call::query()->sole()->turns()->where('keys', true)->exists());
    }

    public function testATransferIsMadeByTheBrowser(): void
    {
        $nora = Person::query()->create(['business_id' => $this->business->id, 'key' => 'nora', 'name' => 'Nora Fell', 'number' => '+441632960101', 'presence' => 'available', 'site' => '']);
        Team::query()->create(['business_id' => $this->business->id, 'key' => 'reservations', 'name' => 'Reservations', 'description' => 'hiring machines', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 3])->people()->attach($nora->id, ['position' => 0]);
        $line = Line::query()->sole();
        app(KeepLine::class)->change($line, ['answers' => ['otherwise' => ['who' => 'staff_first', 'target' => 'team:reservations', 'seconds' => 12]]] + $line->document, 'staff first', \App\Models\User::query()->firstOrFail());
        $browser = $this->browser();
        $browser->ring(route('voice', ['pellbrook', 'main']), ['I want to hire a digger']);
        self::assertGreaterThan(0, count($browser->spoken), 'nobody answered, so the agent does');
        $browser = $this->browser();
        $browser->ring(route('voice', ['pellbrook', 'main']), [], 'far_end_disconnect');
        self::assertSame('answered by Nora Fell', Call::query()->latest('id')->firstOrFail()->outcome);
        self::assertSame([], $browser->spoken);
    }

    public function testATurnSentTwiceCountsOnce(): void
    {
        $last = null;
        $browser = new VoiceBrowser(function (string $method, string $url, array $fields) use (&$last): string {
            $first = $this->fetch($method, $url, $fields);
            if (isset($fields['heard'])) {
                $last ??= $this->fetch($method, $url, $fields);
            }

            return $first;
        }, '');
        $browser->ring(route('voice', ['pellbrook', 'main']), ['I would like to hire a mini digger']);
        self::assertNotNull($last);
        self::assertSame(1, Call::query()->sole()->turns()->where('by', 'caller')->count());
    }

    /** @param list<string> $password */
    #[DataProvider('strangers')]
    public function testWithoutThePasswordThereIsNoLine(array $password, string $path): void
    {
        $this->call('GET', $path, [], [], [], $password === [] ? [] : ['PHP_AUTH_USER' => 'x', 'PHP_AUTH_PW' => $password[0]])->assertStatus(401);
        $this->call('POST', $path.'/calls', ['from' => 'tel:+447700900228'], [], [], $password === [] ? [] : ['PHP_AUTH_USER' => 'x', 'PHP_AUTH_PW' => $password[0]])->assertStatus(401);
        self::assertSame(0, Call::query()->count());
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function strangers(): iterable
    {
        yield 'none' => [[], '/voice/pellbrook/main'];
        yield 'a wrong one' => [['guess'], '/voice/pellbrook/main'];
        yield 'no such line' => [['guess'], '/voice/pellbrook/none'];
        yield 'no such business' => [['none'], '/voice/none/main'];
    }

    public function testAForgedTurnIsRefused(): void
    {
        $this->post('/voice/calls/'.str_repeat('A', 26).'.9999999999.'.str_repeat('0', 64), ['heard' => 'x'])->assertStatus(401);
    }

    public function testTheBrowserIsStrict(): void
    {
        foreach (['no xml', '<vxml version="2.0"/>', '<vxml version="2.1" xmlns="http://www.w3.org/2001/vxml"><form><block><play/></block></form></vxml>', '<vxml version="2.1" xmlns="http://www.w3.org/2001/vxml" speed="9"/>', '<vxml version="2.1"><form/></vxml>'] as $bad) {
            try {
                (new VoiceBrowser(static fn (): string => $bad, ''))->ring('http://x.example', []);
                self::fail('It was taken: '.$bad);
            } catch (\DomainException $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }

    private function browser(string $from = 'tel:+447700900199'): VoiceBrowser
    {
        return new VoiceBrowser($this->fetch(...), $from);
    }

    /** @param array<string, string> $fields */
    private function fetch(string $method, string $url, array $fields): string
    {
        $response = $this->call($method, $url, $fields, [], [], ['PHP_AUTH_USER' => 'browser', 'PHP_AUTH_PW' => $this->password]);
        $response->assertOk();
        self::assertSame('application/voicexml+xml', explode(';', (string) $response->headers->get('Content-Type'))[0]);
        self::assertSame([], $response->headers->getCookies());

        return (string) $response->getContent();
    }
}
