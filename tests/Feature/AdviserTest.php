<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Advice;
use App\Models\Adviser;
use App\Models\Call;
use App\Models\CasebookCase;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use App\Models\Role;
use App\StandIns\Opinions;
use Illuminate\Http\Client\Request as Sent;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** A second opinion from outside: asked only where Ringo is unsure, and whatever comes back reaches no caller and no record unchecked. */
final class AdviserTest extends FeatureTestCase
{
    /** Words that are near several topics of the demonstration's agent. */
    private const UNSURE = 'the thing you sent us is no good';

    private const CHOSEN = 'I am sorry to hear that.';

    public function testItIsOffUntilItIsTurnedOn(): void
    {
        Http::fake();
        $this->actingAs($this->user());
        $this->get('/pellbrook/adviser')->assertOk()->assertSee('it is off');
        $this->says(self::UNSURE);
        self::assertLessThan(1, $this->sent());
        $this->put('/pellbrook/adviser', ['on' => '1', 'address' => ''])->assertSessionHasErrors(['address' => 'Before it is on it needs an address.']);
        foreach (['models', 'ftp://models.example/v1', 'https://', 'https://models.example'] as $address) {
            $this->put('/pellbrook/adviser', ['address' => $address])->assertSessionHasErrors('address');
        }
        $this->put('/pellbrook/adviser', ['address' => 'https://adviser.ringo.example/v1/chat/completions', 'model' => 'small', 'secret' => 'sesame-open', 'about' => ['topic'], 'price_in' => '0.5', 'price_out' => '2'])->assertSessionHasNoErrors();
        $this->says(self::UNSURE);
        self::assertLessThan(1, $this->sent());
        $page = (string) $this->get('/pellbrook/adviser')->assertOk()->getContent();
        self::assertStringNotContainsString('sesame-open', $page);
        self::assertStringNotContainsString('sesame-open', (string) json_encode(DB::table('advisers')->get()));
        $this->put('/pellbrook/adviser', ['address' => 'https://adviser.ringo.example/v1/chat/completions', 'about' => ['nonsense']])->assertSessionHasErrors('about.0');
        self::assertSame('sesame-open', Adviser::query()->sole()->secret, 'kept until another is typed');
    }

    public function testWhatItChoosesIsGoneIntoAndEverythingSentIsShown(): void
    {
        $this->on(['topic']);
        Http::fake(static fn (Sent $sent) => Http::response((new Opinions)->answer('POST', '/v1/chat/completions', [], $sent->data(), (new Opinions)->data(new \DateTimeImmutable))[1]));
        $said = $this->says(self::UNSURE);
        self::assertStringContainsString(self::CHOSEN, (string) json_encode($said->json()));
        self::assertSame(1, $this->sent());
        Http::assertSent(static fn (Sent $sent): bool => $sent->hasHeader('Authorization', 'Bearer sesame-open') && $sent['temperature'] === 0 && str_ends_with($sent->url(), '/stand-in/adviser/v1/chat/completions') && str_contains((string) $sent['messages'][1]['content'], self::UNSURE));
        $call = Call::query()->latest('id')->firstOrFail();
        $asked = Advice::query()->where('call_id', $call->id)->sole();
        self::assertSame(['taken', 'breakdown', 'topic'], [$asked->status, $asked->value, $asked->purpose]);
        self::assertSame((int) round($asked->tokens_in * 0.5 + $asked->tokens_out * 2), $asked->millionths);
        self::assertContains('advice', array_column($call->marks ?? [], 'kind'));
        self::assertSame(['agent', 'caller', 'agent'], $call->turns()->pluck('by')->all());
        $trace = (string) json_encode($call->steps()->pluck('trace')->all(), JSON_UNESCAPED_UNICODE);
        self::assertStringContainsString('by the adviser, from “'.self::UNSURE.'”', $trace);

        $this->get('/pellbrook/adviser')->assertOk()->assertSee(self::UNSURE)->assertSee('breakdown')->assertDontSee('sesame-open');
        $this->get("/pellbrook/calls/{$call->ref}")->assertOk()->assertSee('Asked of the adviser')->assertSee('which topic is meant');
        $this->actingAs($this->user(Role::Staff))->get("/pellbrook/calls/{$call->ref}")->assertOk()->assertDontSee('response_format');
    }

    public function testDoingItAgainAsksNobody(): void
    {
        $this->on(['topic', 'yes_no', 'answer']);
        Http::fake(static fn () => Http::response(self::completion('{"choice":"breakdown"}')));
        $said = $this->says(self::UNSURE);
        $ref = (string) $said->json('ref');
        $this->happens($ref, (int) $said->json('step'), 'hung_up');
        self::assertSame(1, $this->sent());
        $call = Call::query()->where('ref', $ref)->sole();
        $again = $this->postJson("/pellbrook/handset/{$ref}/again", ['steps' => 3])->assertCreated();
        self::assertStringContainsString(self::CHOSEN, (string) json_encode($again->json()));
        $this->get("/pellbrook/calls/{$ref}/replay")->assertOk()->assertSee(self::CHOSEN);
        $this->post("/pellbrook/calls/{$ref}/case", ['title' => 'No good'])->assertRedirect();
        $case = CasebookCase::query()->sole();
        self::assertSame('breakdown', $case->kept['advice'][0]['choice']);
        self::assertTrue($case->refresh()->result['passed'] ?? null, (string) json_encode($case->result));
        self::assertStringContainsString(self::CHOSEN, (string) json_encode($case->transcript));
        self::assertSame(1, $this->sent());
        self::assertSame('kept from the earlier call', Advice::query()->latest('id')->firstOrFail()->why);
        self::assertNotNull($call->record);
    }

    /** @return iterable<string, array{string, string}> */
    public static function misbehaviour(): iterable
    {
        yield 'another shape' => [self::completion('{"choice":"breakdown","say":"We are closed for ever."}'), 'thrown_away'];
        yield 'a choice that was not given' => [self::completion('{"choice":"closed_for_ever"}'), 'thrown_away'];
        yield 'words' => [self::completion('We are closed for ever.'), 'thrown_away'];
        yield 'a page' => ['<html>We are closed for ever.</html>', 'thrown_away'];
        yield 'none of these' => [self::completion('{"choice":"none"}'), 'none'];
    }

    #[DataProvider('misbehaviour')]
    public function testNothingElseReachesACallerOrARecord(string $body, string $status): void
    {
        $this->on(['topic']);
        Http::fake(static fn () => Http::response($body));
        $said = $this->says(self::UNSURE);
        $call = Call::query()->latest('id')->firstOrFail();
        self::assertStringContainsString('sending a machine back', (string) $call->turns()->get()->last()?->text, 'asked as ever');
        $this->happens((string) $said->json('ref'), (int) $said->json('step'), 'hung_up');
        $left = (string) json_encode([$call->turns()->get(), $call->refresh()->record, $call->steps()->get()]);
        self::assertStringNotContainsString('for ever', $left);
        self::assertStringNotContainsString('for_ever', $left);
        self::assertSame([$status], Advice::query()->pluck('status')->all(), (string) json_encode(Advice::query()->get()));
    }

    public function testASlowOneIsNotWaitedForAndThenLeftAlone(): void
    {
        $this->on(['topic']);
        Http::fake(static function (): never {
            usleep(1000);

            throw new \Illuminate\Http\Client\ConnectionException('timed out');
        });
        for ($n = 0; $n < 5; $n++) {
            $this->says(self::UNSURE)->assertOk();
        }
        self::assertSame(5, Advice::query()->count());
        self::assertSame(3, Advice::query()->whereNotNull('request')->count());
        self::assertStringContainsString('left alone', Advice::query()->latest('id')->firstOrFail()->why);
        $this->travel(61)->seconds();
        $this->says(self::UNSURE)->assertOk();
        self::assertSame(4, Advice::query()->whereNotNull('request')->count());
    }

    public function testAFieldInDoubtIsReadFromTheWordsItPointsAtAndNeverFromItsOwn(): void
    {
        $this->on(['field']);
        DeliveryRule::query()->create(['business_id' => $this->business->id, 'name' => 'To the yard', 'kind' => 'email', 'to' => 'yard@pellbrook.example', 'subject' => 'A call', 'words' => 'For [hire_length]', 'timing' => ['kind' => 'at_once'], 'active' => true, 'cancel_outcomes' => [], 'mapping' => []]);
        $name = $this->agent->draft->scriptText->script()->sheet->fields['caller_name']->title;
        $quote = 'Dilys Marrable';
        Http::fake(static function (Sent $sent) use (&$quote, $name) {
            $asked = (string) ($sent->data()['messages'][1]['content'] ?? '');

            return Http::response(self::completion((string) json_encode(['quote' => str_contains($asked, 'To be found: '.$name) ? $quote : ''])));
        });
        $record = function (): array {
            $ref = (string) $this->ring()->json('ref');
            foreach (['I need a breaker', 'tomorrow, my card is 4000 1234 5678 9010, the men will ask for Dilys Marrable'] as $n => $words) {
                $this->happens($ref, $n + 1, 'said', $words);
            }
            $call = Call::query()->where('ref', $ref)->sole();
            $this->happens($ref, $call->step, 'hung_up')->assertOk();

            return $call->refresh()->record->cells ?? [];
        };
        $cells = $record();
        self::assertSame('adviser', $cells['caller_name']['origin'] ?? null, (string) json_encode($cells));
        $asked = Advice::query()->where('purpose', 'field')->get();
        self::assertNotEmpty($asked);
        self::assertStringNotContainsString('5678', (string) json_encode($asked->pluck('request')));
        self::assertSame(['Dilys Marrable', 'Dilys Marrable', 3], [$cells['caller_name']['value'], $cells['caller_name']['said'], $cells['caller_name']['turn']]);
        self::assertSame(1, Delivery::query()->where('name', 'To the yard')->count(), 'what the call causes goes out once');
        $quote = 'Somebody Else';
        self::assertArrayNotHasKey('caller_name', $record());
        self::assertSame(2, Delivery::query()->where('name', 'To the yard')->count());
    }

    public function testItCanBeTriedWithoutACall(): void
    {
        $this->on([]);
        Http::fake(static fn () => Http::response(self::completion('{"choice":"m2"}')));
        $this->post('/pellbrook/adviser/try', ['said' => 'come and fetch it, 07700 900123', 'choices' => 'one only'])->assertSessionHasErrors('choices');
        $this->followingRedirects()->post('/pellbrook/adviser/try', ['said' => 'come and fetch it, 07700 900123', 'choices' => "it is broken\nto be collected"])->assertOk()->assertSee('to be collected')->assertSee('what was sent');
        self::assertStringNotContainsString('900123', (string) json_encode(Advice::query()->sole()->request));
        $this->post('/pellbrook/adviser/stand-in', ['mode' => 'invents'])->assertSessionHasNoErrors();
        $this->post('/pellbrook/adviser/stand-in', ['mode' => 'explodes'])->assertSessionHasErrors('mode');
        self::assertSame('{"choice":"a choice that was not given"}', (new Opinions)->answer('POST', '/v1/chat/completions', [], ['messages' => [1 => ['content' => 'x']]], ['behaves' => 'invents'])[1]['choices'][0]['message']['content']);
    }

    /** @param list<string> $about */
    private function on(array $about): void
    {
        if (Auth::guest()) {
            $this->actingAs($this->user());
        }
        Adviser::query()->updateOrCreate(['business_id' => $this->business->id], ['on' => true, 'address' => 'https://adviser.ringo.example/v1/chat/completions', 'model' => 'small', 'secret' => 'sesame-open', 'about' => $about, 'price_in' => 0.5, 'price_out' => 2]);
    }

    /** Requests that went to the adviser so far. */
    private function sent(): int
    {
        return Http::recorded(static fn (Sent $sent): bool => str_contains($sent->url(), 'adviser'))->count();
    }

    private static function completion(string $content): string
    {
        return (string) json_encode(['choices' => [['index' => 0, 'finish_reason' => 'stop', 'message' => ['role' => 'assistant', 'content' => $content]]], 'usage' => ['prompt_tokens' => 200, 'completion_tokens' => 8]]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> a new call in which this is said first */
    private function says(string $words): TestResponse
    {
        return $this->happens((string) $this->ring()->json('ref'), 1, 'said', $words);
    }
}
