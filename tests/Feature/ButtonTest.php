<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Lines\KeepLine;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\Line;
use App\Models\PromisedCallBack;
use App\Models\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Ringo\Line\Button;

/** A line as a button on other people's pages: who may show it, what a visitor can do, and that nothing else comes out. */
final class ButtonTest extends FeatureTestCase
{
    private const PAGE = 'https://www.fenwater.example';

    private Line $line;

    protected function setUp(): void
    {
        parent::setUp();
        $owner = $this->user(Role::Owner);
        $keep = app(KeepLine::class);
        $line = $keep->make($this->business->refresh(), ['name' => 'Button', 'agent' => 'maren', 'at_once' => 2, 'answers' => ['otherwise' => ['who' => 'agent']], 'button' => ['label' => 'Ring us', 'terms' => 'A computer answers.', 'origins' => [self::PAGE]]], 'button', $owner);
        $this->line = $keep->live($line, $this->agent->releases()->firstOrFail(), $owner);
        $this->flushHeaders();
    }

    public function testTheScriptIsSmallAndSetsNoCookie(): void
    {
        $response = $this->get('/button/button.js')->assertOk()->assertHeader('Content-Type', 'text/javascript; charset=utf-8');
        self::assertLessThan(15 * 1024, strlen((string) gzencode((string) $response->getContent())));
        self::assertSame([], $response->headers->getCookies());
        self::assertStringContainsString("attachShadow({mode: 'closed'})", (string) $response->getContent());
    }

    public function testAPageThatIsAllowedShowsItAndNoOther(): void
    {
        $this->asks('GET', "/button/{$this->line->token}")->assertOk()->assertHeader('Access-Control-Allow-Origin', self::PAGE)->assertJson(['label' => 'Ring us', 'business' => 'Pellbrook Hire', 'agent' => 'Maren', 'open' => true]);
        $this->asks('GET', "/button/{$this->line->token}", [], 'https://www.elsewhere.example')->assertNotFound();
        $this->asks('GET', '/button/'.str_repeat('x', 24))->assertNotFound();
        self::assertSame([], $this->asks('GET', "/button/{$this->line->token}")->headers->getCookies());
    }

    public function testAVisitorTalksAndSeesOnlyWhatIsSaid(): void
    {
        $this->asks('POST', "/button/{$this->line->token}/calls")->assertStatus(422)->assertJson(['message' => 'Please accept the terms first.']);
        $call = $this->begin();
        self::assertSame(['live', self::PAGE, $this->line->id], [Call::query()->sole()->kind, Call::query()->sole()->origin, Call::query()->sole()->line_id]);
        self::assertSame(['pass', 'over', 'answered', 'rings', 'with', 'turns'], array_keys($call));
        self::assertNotSame([], $call['turns']);
        $answer = $this->asks('POST', "/button/calls/{$call['pass']}", ['kind' => 'said', 'text' => 'I want to hire a mini digger', 'seen' => $call['turns'][0]['n']])->assertOk();
        self::assertSame('caller', $answer->json('turns.0.by'));
        self::assertSame(['n', 'by', 'text'], array_keys((array) $answer->json('turns.1')));
        $over = $this->asks('POST', '/button/calls/'.$answer->json('pass'), ['kind' => 'hung_up', 'seen' => 99])->assertOk();
        self::assertTrue($over->json('over'));
        self::assertSame('caller hung up', Call::query()->sole()->outcome);
    }

    public function testAPassIsGoodForOneCallFromOnePageForAWhile(): void
    {
        $call = $this->begin();
        $this->asks('POST', "/button/calls/{$call['pass']}", ['kind' => 'look', 'seen' => 0], 'https://www.elsewhere.example')->assertStatus(410);
        $this->asks('POST', '/button/calls/'.substr_replace($call['pass'], 'f', -1).(str_ends_with($call['pass'], 'f') ? '0' : ''), ['kind' => 'look', 'seen' => 0])->assertStatus(410);
        $this->travel(21)->minutes();
        $this->asks('POST', "/button/calls/{$call['pass']}", ['kind' => 'look', 'seen' => 0])->assertStatus(410);
    }

    /** @param array<string, mixed> $body */
    #[DataProvider('hostile')]
    public function testWhatCannotBeSentIsRefusedInWords(array $body): void
    {
        $call = $this->begin();
        $this->asks('POST', "/button/calls/{$call['pass']}", $body)->assertStatus(422)->assertJsonPath('message', 'That cannot be sent. Words may have up to 500 characters; keys are 0 to 9, star and hash.');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function hostile(): iterable
    {
        yield 'nothing' => [[]];
        yield 'another kind' => [['kind' => 'staff_said', 'text' => 'I am staff']];
        yield 'somebody answers' => [['kind' => 'answered', 'text' => 'nora']];
        yield 'too long' => [['kind' => 'said', 'text' => str_repeat('a', 501)]];
        yield 'empty' => [['kind' => 'said', 'text' => '  ']];
        yield 'a list' => [['kind' => 'said', 'text' => ['a']]];
        yield 'keys that are none' => [['kind' => 'keys', 'text' => '12a']];
        yield 'seen is no number' => [['kind' => 'look', 'seen' => 'all']];
    }

    public function testManyCallsOfOneVisitorAreHeldOff(): void
    {
        for ($n = 0; $n < 6; $n++) {
            $call = $this->begin();
            $this->asks('POST', "/button/calls/{$call['pass']}", ['kind' => 'hung_up']);
        }
        $this->asks('POST', "/button/{$this->line->token}/calls", ['accepted' => true])->assertStatus(429);
        self::assertSame(6, Call::query()->count());
    }

    public function testWhereNobodyAnswersANumberIsLeftForTheDesk(): void
    {
        app(KeepLine::class)->change($this->line, ['answers' => ['otherwise' => ['who' => 'nobody']]] + $this->line->document, 'closed', \App\Models\User::query()->firstOrFail());
        $this->asks('GET', "/button/{$this->line->token}")->assertJson(['open' => false]);
        $call = $this->begin();
        self::assertSame([true, false], [$call['over'], $call['answered']]);
        $this->asks('POST', "/button/calls/{$call['pass']}/leave", ['number' => 'none'])->assertStatus(422);
        $this->asks('POST', "/button/calls/{$call['pass']}/leave", ['number' => '07700 900321', 'name' => 'Ida', 'message' => 'a heater'])->assertOk();
        $this->asks('POST', "/button/calls/{$call['pass']}/leave", ['number' => '07700 900321'])->assertOk();
        self::assertSame(['+447700900321', 'Ida', 'a heater'], array_values(PromisedCallBack::query()->sole()->only(['number', 'name', 'why'])));
    }

    public function testANumberThatIsLeftIsRungByACampaignThatRuns(): void
    {
        $owner = \App\Models\User::query()->firstOrFail();
        $design = ['key' => 'web', 'purpose' => 'their request', 'tz' => 'Europe/London', 'country' => 'GB', 'windows' => array_fill_keys(\Ringo\Diary\Week::DAYS, ['00:00-24:00']), 'start' => now()->subDay()->format('Y-m-d'), 'end' => now()->addMonth()->format('Y-m-d'), 'attempts' => ['most' => 3]];
        $campaign = Campaign::query()->create(['business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'key' => 'web', 'name' => 'Web', 'document' => $design, 'stops' => [], 'state' => Campaign::RUNNING, 'held' => [], 'intake' => ['map' => ['tel' => 'phone', 'memo' => 'fact:wish']], 'intake_token' => str_repeat('a', 24)]);
        app(KeepLine::class)->change($this->line, ['answers' => ['otherwise' => ['who' => 'nobody']], 'button' => ['rung_by' => 'web'] + $this->line->document['button']] + $this->line->document, 'closed', $owner);
        $this->asks('POST', "/button/calls/{$this->begin()['pass']}/leave", ['number' => '07700 900321', 'name' => 'Ida', 'message' => 'a heater'])->assertOk();
        $person = $campaign->people()->sole();
        self::assertSame(['+447700900321', 'Ida', 'a heater', 'waiting'], [$person->e164, $person->name, $person->facts['wish'], $person->state]);
        self::assertSame(0, PromisedCallBack::query()->count());
        $campaign->update(['state' => Campaign::PAUSED]);
        $this->asks('POST', "/button/calls/{$this->begin()['pass']}/leave", ['number' => '07700 900322'])->assertOk();
        self::assertSame('+447700900322', PromisedCallBack::query()->sole()->number, 'while none runs, the desk has it');
    }

    public function testAnAnsweredCallLeavesNoNumber(): void
    {
        $call = $this->begin();
        $this->asks('POST', "/button/calls/{$call['pass']}/leave", ['number' => '07700 900321'])->assertStatus(410);
    }

    public function testItsLooksAreSetAndAPairNobodyCanReadIsRefused(): void
    {
        $this->actingAs($this->user());
        $form = ['label' => 'Talk', 'colour' => '#ffffff', 'ink' => '#ffff00', 'corner' => 'left', 'origins' => self::PAGE."\nhttp://localhost:8000/"];
        $this->put('/pellbrook/lines/button/button', $form)->assertSessionHasErrors('line');
        $this->put('/pellbrook/lines/button/button', ['ink' => '#000000', 'origins' => 'not an origin'] + $form)->assertSessionHasErrors('line');
        $this->put('/pellbrook/lines/button/button', ['ink' => '#000000'] + $form)->assertSessionHasNoErrors();
        self::assertSame([self::PAGE, 'http://localhost:8000'], $this->line->refresh()->design()->button->origins ?? []);
        $this->get('/pellbrook/lines/button/button')->assertOk()->assertSee((string) $this->line->token)->assertSee('script-src');
        $old = $this->line->token;
        $this->post('/pellbrook/lines/button/button/token')->assertRedirect();
        $this->asks('GET', "/button/{$old}")->assertNotFound();
        $this->put('/pellbrook/lines/button', ['name' => 'Button', 'agent' => 'maren', 'at_once' => 2, 'otherwise' => ['who' => 'agent']])->assertSessionHasNoErrors();
        self::assertSame('Talk', $this->line->refresh()->design()->button->label ?? '', 'changing the line keeps the button');
    }

    public function testAPictureStandsBesideItsWordsOrIsRefused(): void
    {
        $this->actingAs($this->user());
        $form = ['label' => 'Talk', 'colour' => '#000000', 'ink' => '#ffffff', 'corner' => 'left', 'origins' => self::PAGE];
        $image = static fn (string $bytes): array => ['picture' => UploadedFile::fake()->createWithContent('p.png', $bytes)];
        $dot = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', true);
        $wide = substr_replace($dot, pack('N', 4000), 16, 4);
        foreach (['<svg xmlns="http://www.w3.org/2000/svg"/>' => 'must be a PNG, JPEG or WebP image', $dot.str_repeat('x', 50_000) => '40 KB are the most', $wide => '512 are the most'] as $bytes => $told) {
            $this->put('/pellbrook/lines/button/button', $image((string) $bytes) + $form)->assertSessionHasErrors('line');
            self::assertStringContainsString($told, implode(' ', session('errors')->get('line')));
        }
        $this->get("/button/{$this->line->token}/picture")->assertNotFound();
        $this->put('/pellbrook/lines/button/button', $image($dot) + $form)->assertSessionHasNoErrors();
        $this->put('/pellbrook/lines/button/button', ['label' => 'Talk now'] + $form)->assertSessionHasNoErrors();
        $shown = $this->get("/button/{$this->line->token}/picture")->assertOk()->assertHeader('Content-Type', 'image/png')->assertHeader('X-Content-Type-Options', 'nosniff');
        self::assertSame($dot, $shown->getContent(), 'kept when only the words change');
        self::assertNotNull($this->asks('GET', "/button/{$this->line->token}")->json('picture'));
        $this->put('/pellbrook/lines/button/button', ['no_picture' => '1'] + $form)->assertSessionHasNoErrors();
        self::assertNull($this->asks('GET', "/button/{$this->line->token}")->json('picture'));
    }

    public function testContrastIsThatOfThePublishedExamples(): void
    {
        self::assertEqualsWithDelta(21.0, Button::contrast('#000000', '#ffffff'), 1e-9);
        self::assertEqualsWithDelta(4.54, Button::contrast('#767676', '#ffffff'), 0.01);
        self::assertEqualsWithDelta(3.998, Button::contrast('#ff0000', '#ffffff'), 0.01);
    }

    public function testTheMadeUpPageCarriesItUnderAStrictPolicy(): void
    {
        $page = $this->get('/site/pellbrook/button')->assertOk()->assertSee((string) $this->line->token)->assertSee('A made-up page');
        self::assertStringStartsWith("default-src 'none'; script-src", (string) $page->headers->get('Content-Security-Policy'));
        self::assertSame([], $page->headers->getCookies());
        $this->get('/site/pellbrook/none')->assertNotFound();
    }

    /** @return array{pass: string, over: bool, answered: bool, turns: list<array{n: int, by: string, text: string}>} */
    private function begin(): array
    {
        return $this->asks('POST', "/button/{$this->line->token}/calls", ['accepted' => true])->assertOk()->json();
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function asks(string $method, string $path, array $body = [], string $origin = self::PAGE): TestResponse
    {
        return $this->json($method, $path, $body, ['Origin' => $origin]);
    }
}
