<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Figures\CountCalls;
use App\Actions\Figures\FiguresOver;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\FigureDay;
use App\Models\Offer;
use App\Models\RecordCheck;
use App\Models\Role;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** The figures: sums kept up to date as calls end and change, the same as a recount, each with the calls behind it. */
final class FiguresTest extends FeatureTestCase
{
    /** @param array<string, mixed> $with */
    private function took(string $at, array $with = []): Call
    {
        return Call::query()->create($with + ['ref' => uniqid('c', true), 'business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'script_text_id' => $this->agent->draft()->firstOrFail()->script_text_id, 'kind' => 'live', 'direction' => 'inbound', 'caller_name' => 'Somebody', 'status' => 'ended', 'outcome' => 'reservation taken', 'seconds' => 60.0, 'started_at' => Carbon::parse($at, 'Europe/London')->utc(), 'tz' => 'Europe/London', 'step' => 1, 'state' => ['heard' => 4, 'topic' => 'reserve', 'caller' => ['kind' => 'known'], 'connected' => null], 'last_event_at' => now()]);
    }

    /** @return array<string, int> */
    private function told(string $what, string $from = '2026-03-01', string $to = '2026-03-31'): array
    {
        app(CountCalls::class)->freshen($this->business);

        return app(FiguresOver::class)->of($this->business, null, $from, $to)->by($what);
    }

    public function test_sums_follow_what_happens_and_agree_with_a_recount(): void
    {
        $call = $this->took('2026-03-10 09:14');
        $this->took('2026-03-10 23:50', ['kind' => 'rehearsal']);
        // Summer time begins on the 29th at one: half past midnight is still that day by the business's clock.
        $this->took('2026-03-29 00:30');
        $this->took('2026-03-29 23:30', ['outcome' => 'caller hung up', 'state' => ['connected' => ['person' => 'jo', 'after' => 12.5]]]);
        $ringing = $this->took('2026-03-11 10:00', ['status' => 'in_progress', 'outcome' => '']);
        self::assertSame(['inbound' => 3], $this->told('call'));
        self::assertSame(['inbound' => 2], $this->told('call', '2026-03-29', '2026-03-29'));
        self::assertSame(['agent' => 2, 'staff' => 1], $this->told('handled'));
        $ringing->update(['status' => 'ended', 'outcome' => 'no reply']);
        self::assertSame(['agent' => 2, 'given_up' => 1, 'staff' => 1], $this->sorted($this->told('handled')));
        Offer::query()->create(['call_id' => $ringing->id, 'business_id' => $this->business->id, 'target' => 'x', 'who' => 'y', 'status' => 'missed', 'reason' => '', 'announcement' => [], 'rung_at' => now(), 'ends_at' => now()]);
        $ringing->touch();
        self::assertSame(1, $this->told('handled')['nobody'] ?? 0);
        $record = CallRecord::query()->create(['call_id' => $call->id, 'business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'cells' => [], 'declined' => [], 'missing' => ['depot'], 'outcome' => 'x', 'summary' => '', 'doubtful' => true, 'sheet_version' => 1]);
        self::assertSame(['missing' => 1], $this->told('record'));
        $record->update(['missing' => []]);
        self::assertSame(['doubtful' => 1], $this->told('record'));
        RecordCheck::query()->create(['record_id' => $record->id, 'business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'field' => 'depot', 'was' => 'a', 'is' => 'b', 'confidence' => 0.9, 'verdict' => 'corrected']);
        self::assertSame(['depot' => 1], $this->told('checked'));
        $call->delete();
        self::assertSame(['inbound' => 3], $this->told('call'));
        $call->restore();
        self::assertSame(['inbound' => 4], $this->told('call'));
        $kept = DB::table('figures')->orderBy('day')->orderBy('what')->orderBy('key')->get(['day', 'what', 'key', 'n', 'total'])->all();
        DB::table('figures')->delete();
        app(CountCalls::class)->markAll($this->business);
        self::assertGreaterThan(2, FigureDay::query()->where('changes', '>', 0)->count());
        app(CountCalls::class)->freshen($this->business);
        self::assertEquals($kept, DB::table('figures')->orderBy('day')->orderBy('what')->orderBy('key')->get(['day', 'what', 'key', 'n', 'total'])->all());
    }

    public function test_a_change_while_a_day_is_counted_is_not_lost(): void
    {
        $this->took('2026-03-10 09:14');
        $seen = FigureDay::query()->firstOrFail();
        $keep = new \ReflectionMethod(CountCalls::class, 'keep');
        // Somebody else marks the day after it was seen: these sums are not kept, and the next look counts again.
        $this->took('2026-03-10 10:00');
        $keep->invoke(app(CountCalls::class), $this->business, $seen);
        self::assertSame(0, DB::table('figures')->count());
        self::assertSame(2, FigureDay::query()->firstOrFail()->changes);
        self::assertSame(['inbound' => 2], $this->told('call'));
        $rows = DB::table('figures')->count();
        $keep->invoke(app(CountCalls::class), $this->business, $seen);
        self::assertSame($rows, DB::table('figures')->count(), 'two who look at once count once');
    }

    public function test_the_calls_behind_a_figure_are_those_it_counts(): void
    {
        $this->actingAs($this->user());
        $this->took('2026-03-10 09:14');
        $this->took('2026-03-10 09:30', ['kind' => 'rehearsal']);
        $this->took('2026-03-10 09:40', ['status' => 'in_progress', 'outcome' => '']);
        // One Tuesday, so one call an hour; not one in seven days.
        $page = (string) $this->get('/pellbrook/figures?from=2026-03-10&to=2026-03-10')->assertOk()->assertSee('Tuesday 09:00: 1 call')->getContent();
        self::assertMatchesRegularExpression('~Tuesday 09:00: 1 call in these days">1</td>~', $page);
        preg_match('~href="([^"]*/calls\?[^"]*)"~', $page, $link);
        $this->get(html_entity_decode($link[1] ?? ''))->assertOk()->assertSee('1 call shown');
    }

    public function test_what_is_missing_of_a_call_that_a_person_took_is_nothing_to_check(): void
    {
        $doubt = ['depot' => ['doubt' => 'two were named']];
        $call = $this->took('2026-03-10 09:14');
        self::assertTrue(CallRecord::worthALook($call, ['depot'], [], []));
        self::assertFalse(CallRecord::worthALook($call, [], [], ['depot' => ['doubt' => null]]));
        $handed = $this->took('2026-03-10 09:14', ['state' => ['connected' => ['person' => 'jo', 'after' => 3]]]);
        self::assertFalse(CallRecord::worthALook($handed, ['depot'], [], []));
        self::assertTrue(CallRecord::worthALook($handed, [], [], $doubt));
        self::assertTrue(CallRecord::worthALook($handed, [], ['depot' => 'two were named'], []));
    }

    public function test_the_slowest_calls_of_a_long_and_of_a_short_time_are_named_alike(): void
    {
        $this->actingAs($this->user());
        foreach ([['2026-03-10 09:00', 900, 'Ines Conti'], ['2026-03-11 09:00', 2100, 'Bo Falk'], ['2026-03-12 09:00', 0, 'Dara Ashby'], ['2025-01-12 09:00', 9900, 'Una Pryce']] as [$at, $micros, $who]) {
            $this->took($at, ['slowest_microseconds' => $micros * 1000, 'caller_name' => $who]);
        }
        $this->took('2026-03-13 09:00', ['slowest_microseconds' => 8_000_000, 'kind' => 'rehearsal', 'caller_name' => 'Rae Orr']);
        foreach (['?from=2026-03-01&to=2026-03-31', '?from=2025-08-01&to=2026-07-31'] as $span) {
            $this->get("/pellbrook/figures{$span}")->assertSeeInOrder(['Bo Falk', 'Ines Conti'])->assertDontSee('Dara Ashby')->assertDontSee('Una Pryce')->assertDontSee('Rae Orr');
        }
    }

    public function test_the_page_tells_them_beside_the_span_before_and_opens_the_calls(): void
    {
        $this->actingAs($this->user());
        $this->get('/pellbrook/figures')->assertOk()->assertSee('No calls in these days');
        foreach (range(1, 6) as $n) {
            $this->took("2026-03-1{$n} 09:14", $n > 4 ? ['outcome' => 'caller hung up'] : []);
        }
        $this->took('2026-03-05 11:00', ['outcome' => '<b>odd</b>']);
        $span = '?from=2026-03-09&to=2026-03-18';
        $page = $this->get("/pellbrook/figures{$span}")->assertOk()->assertSee('67 %')->assertSee('before: 100 %')->assertSee('Given up')->assertSee('reservation taken');
        preg_match_all('~href="([^"]*/calls\?[^"]*)"~', (string) $page->getContent(), $links);
        self::assertGreaterThan(5, count($links[1]));
        $this->get(html_entity_decode($links[1][1]))->assertOk()->assertSee('4 calls shown');
        $this->get("/pellbrook/calls{$this->query('handled', 'given_up')}")->assertSee('2 calls shown');
        $this->get("/pellbrook/calls{$this->query('topic', 'reserve')}")->assertSee('6 calls shown');
        app(\App\Actions\Knowledge\KeepSource::class)->keep($this->business, 'terms.md', 'document', "# Terms\n\n## Dogs\n\nDogs may not come into the yard.\n");
        $this->get("/pellbrook/figures{$span}")->assertSee('no call was answered from it, in terms.md: Dogs may not come')->assertSee('the passage Dogs', false);
        $this->travelTo(new \DateTimeImmutable('2026-03-18T12:00Z'));
        $this->get('/pellbrook')->assertOk()->assertSeeInOrder(['What nobody came to', 'Dogs', 'Why, and take out']);
        $csv = $this->get("/pellbrook/figures.csv{$span}")->assertOk()->streamedContent();
        self::assertStringContainsString('handled,given_up,2,0,0,0', $csv);
        self::assertStringContainsString('outcome,<b>odd</b>,0,0,1,0', str_replace('"', '', $csv));
        foreach (['?from=2026-13-01' => 'from', '?from=2026-03-10&to=2026-03-01' => 'from', '?from=1990-01-01&to=2026-03-01' => 'from'] as $bad => $field) {
            $this->get("/pellbrook/figures{$bad}")->assertSessionHasErrors($field, null, 'address');
        }
        $this->get('/pellbrook/figures?of=nobody')->assertNotFound();
        $this->put('/pellbrook/figures/rates', ['inbound' => 'dear'])->assertSessionHasErrors('inbound');
        $this->put('/pellbrook/figures/rates', ['inbound' => '0.6', 'text' => ''])->assertSessionHasNoErrors();
        // Six minutes at 0.6: 3.6 for all, 0.6 a call, 0.9 for each of the four that went well.
        $this->get("/pellbrook/figures{$span}")->assertSeeInOrder(['These days', '3.6', 'A call', '0.6', 'ended as it should', '0.9']);
        $this->actingAs($this->user(Role::Staff));
        $this->get("/pellbrook/figures{$span}")->assertOk()->assertDontSee('name="inbound"', false);
        $this->put('/pellbrook/figures/rates', ['inbound' => '1'])->assertForbidden();
    }

    private function query(string $name, string $value): string
    {
        return "?since=2026-03-09&until=2026-03-18&{$name}={$value}";
    }

    /**
     * @param array<string, int> $by
     *
     * @return array<string, int>
     */
    private function sorted(array $by): array
    {
        ksort($by);

        return $by;
    }
}
