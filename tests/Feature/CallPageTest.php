<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Calls\CallPage;
use App\Actions\Calls\FindCalls;
use App\Actions\Records\RecordsOf;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Support\Search\CallSearch;
use App\Support\Search\Found;
use App\Support\Search\FullText;
use App\Support\Search\PageOfMany;
use App\Support\Search\RecordSearch;
use App\Support\Sight;

/** Pages of calls and records hold what each filter asks for in the order asked for, however they are come by: few or many. */
final class CallPageTest extends FeatureTestCase
{
    private const CALLS = 70;

    private const NAMES = ['Ashby', 'Österreich', 'Marsh', 'Pryce'];

    private const MACHINES = ['mini digger', 'breaker', 'floor saw'];

    protected function setUp(): void
    {
        parent::setUp();
        mt_srand(7);
        $other = Business::query()->create(['key' => 'quillmoor', 'name' => 'Quillmoor', 'country' => 'GB', 'tz' => 'Europe/London']);
        foreach (range(0, self::CALLS - 1) as $n) {
            $machine = self::MACHINES[$n % 3];
            $call = Call::query()->create([
                'ref' => sprintf('PAGE%022d', $n), 'business_id' => $n % 17 === 0 ? $other->id : $this->business->id, 'agent_id' => $this->agent->id, 'script_text_id' => $this->agent->draft->script_text_id, 'kind' => $n % 5 === 0 ? 'rehearsal' : 'live', 'direction' => 'inbound',
                'from' => sprintf('+4477009000%02d', $n % 9), 'caller_name' => self::NAMES[$n % 4], 'status' => $n % 11 === 0 ? 'in_progress' : 'ended', 'outcome' => ['booked', 'finished', 'given up'][$n % 3], 'seconds' => 20 + mt_rand(0, 400),
                'started_at' => now()->subMinutes(mt_rand(0, 30) * 60), 'tz' => 'Europe/London', 'step' => 1, 'last_event_at' => now(), 'state' => ['topic' => $n % 2 === 0 ? 'hire' : 'repair'] + ($n % 6 === 0 ? ['connected' => ['person' => 'idris']] : []),
            ]);
            CallRecord::query()->create(['call_id' => $call->id, 'business_id' => $call->business_id, 'agent_id' => $this->agent->id, 'declined' => [], 'missing' => [], 'outcome' => $call->outcome, 'summary' => '', 'doubtful' => $n % 4 === 1, 'cells' => ['equipment' => ['value' => str_replace(' ', '_', $machine), 'display' => ucfirst($machine), 'doubt' => null, 'turn' => null], 'caller_name' => ['value' => $call->caller_name, 'display' => $call->caller_name, 'doubt' => null, 'turn' => null]]]);
            CallSearch::put($call->id, "good morning {$call->caller_name} about a {$machine} number {$n}");
            if ($n % 13 === 0) {
                $call->delete();
            }
        }
    }

    /** @return array<string, array{array<string, string>, \Closure(Call): bool}> */
    private static function filters(): array
    {
        $state = static fn (Call $call, string $name): mixed => $call->state[$name] ?? null;

        return [
            'all' => [[], static fn (Call $call): bool => true],
            'a common word' => [['q' => 'morning'], static fn (Call $call): bool => true],
            'beginnings of two words' => [['q' => 'digg ashb'], static fn (Call $call): bool => $call->caller_name === 'Ashby' && str_contains($call->record?->cells['equipment']['display'] ?? '', 'digger')],
            'a rare word' => [['q' => '33'], static fn (Call $call): bool => str_ends_with($call->ref, '033')],
            'a word that is none' => [['q' => 'trombone'], static fn (Call $call): bool => false],
            'marks of the search itself' => [['q' => '"a* OR (b'], static fn (Call $call): bool => false],
            'an outcome' => [['outcome' => 'booked'], static fn (Call $call): bool => $call->outcome === 'booked'],
            'going on' => [['outcome' => 'in progress'], static fn (Call $call): bool => $call->status === 'in_progress'],
            'a topic and a kind' => [['topic' => 'hire', 'kind' => 'live'], static fn (Call $call): bool => $state($call, 'topic') === 'hire' && $call->kind === 'live'],
            'counted' => [['kind' => 'counted'], static fn (Call $call): bool => $call->kind !== 'rehearsal' && $call->status === 'ended'],
            'handled by staff' => [['handled' => 'staff'], static fn (Call $call): bool => $call->status === 'ended' && $state($call, 'connected') !== null],
            'long ones' => [['longer' => '5'], static fn (Call $call): bool => $call->seconds >= 300],
            'a caller' => [['caller' => 'marsh'], static fn (Call $call): bool => $call->caller_name === 'Marsh'],
            'a number' => [['caller' => '07700 900003'], static fn (Call $call): bool => $call->from === '+447700900003'],
            'to be looked at' => [['check' => '1'], static fn (Call $call): bool => $call->record->doubtful ?? false],
            'a field by its key' => [['field' => 'equipment', 'value' => 'mini_digger'], static fn (Call $call): bool => ($call->record->cells['equipment']['value'] ?? '') === 'mini_digger'],
            'a field by a word of it' => [['field' => 'equipment', 'value' => 'Saw'], static fn (Call $call): bool => ($call->record->cells['equipment']['value'] ?? '') === 'floor_saw'],
            'a field without its marks' => [['field' => 'caller_name', 'value' => 'osterr'], static fn (Call $call): bool => $call->caller_name === 'Österreich'],
            'a field that holds another' => [['field' => 'caller_name', 'value' => 'saw'], static fn (Call $call): bool => false],
            'a draft' => [['release' => 'draft'], static fn (Call $call): bool => true],
            'a release' => [['release' => '1'], static fn (Call $call): bool => false],
        ];
    }

    public function testEachFilterInEachOrder(): void
    {
        $calls = Call::query()->with('record')->where('business_id', $this->business->id)->get();
        foreach (self::filters() as $name => [$filter, $fits]) {
            if (! FullText::there() && $name === 'a field without its marks') {
                continue;
            }
            $all = $calls->filter($fits);
            foreach (FindCalls::SORTS as $sort => $column) {
                foreach (['asc' => 1, 'desc' => -1] as $direction => $sign) {
                    $wanted = $all->sort(static fn (Call $a, Call $b): int => $sign * ([$a->getRawOriginal($column), $a->id] <=> [$b->getRawOriginal($column), $b->id]))->pluck('ref')->values()->all();
                    foreach ([[1, 0], [2, 0], [9, 0], [1, 10_000], [2, 10_000]] as [$at, $sorts]) {
                        $found = (new CallPage(app(FindCalls::class), $sorts))->of($this->business, $filter + ['sort' => $sort, 'dir' => $direction], Sight::whole(true), $at);

                        self::assertSame([count($wanted), array_slice($wanted, 25 * ($at - 1), 25), count($wanted) > 25 * $at], [$found->total ?? count($wanted), $found->pluck('ref')->all(), $found->hasMorePages()], "{$name} by {$sort} {$direction}, page {$at}, sorted up to {$sorts}");
                    }
                }
            }
        }
    }

    public function testWhatIsManyIsNotCountedAndSaysSo(): void
    {
        $page = static fn (array $filter, int $sorts): PageOfMany => (new CallPage(app(FindCalls::class), $sorts))->of(Business::query()->where('key', 'pellbrook')->firstOrFail(), $filter, Sight::whole(true), 1);
        $whole = Call::query()->where('business_id', $this->business->id)->count();

        self::assertSame(["{$whole} calls", 'page 1 of '.(int) ceil($whole / 25)], [$page([], 5)->inWords('call', 'calls'), $page([], 5)->place()], 'all of them are counted by their index');
        self::assertSame(['more than 5 calls', 'page 1'], [$page(['kind' => 'live'], 5)->inWords('call', 'calls'), $page(['kind' => 'live'], 5)->place()]);
        self::assertSame('1 call', $page(['q' => '33'], 5)->inWords('call', 'calls'));
        $this->actingAs($this->user());
        $this->get('/pellbrook/calls?kind=live&sort=caller&page=2')->assertOk()->assertSee('page 2 of');
    }

    public function testManyFoundAreAskedOfEachRowAndFewLookedUp(): void
    {
        $this->onlyWithFullText();
        $all = Call::query()->where('business_id', $this->business->id);
        foreach (['morning', 'number 3'] as $words) {
            $few = (clone $all);
            CallSearch::found($words)->narrow($few, 'calls.id');
            $many = (clone $all);
            (new Found(CallSearch::found($words)->query(), 'rowid', 0))->narrow($many, 'calls.id');

            $numbers = array_values(array_map(intval(...), Call::query()->where('business_id', $this->business->id)->orderBy('id')->pluck('id')->all()));
            self::assertSame(array_values(array_intersect($numbers, CallSearch::found($words)->few() ?? [])), (new Found(CallSearch::found($words)->query(), 'rowid', 0))->among($numbers));
            self::assertNotSame([], $few->pluck('id')->sort()->values()->all());
            self::assertSame($few->pluck('id')->sort()->values()->all(), $many->pluck('id')->sort()->values()->all());
        }
    }

    public function testRecordsAreFoundByWordsOfTheFieldsThatAreSeen(): void
    {
        $this->onlyWithFullText();
        $records = app(RecordsOf::class);
        $found = fn (string $q): array => $records->agent($this->agent, ['show' => 'all', 'q' => $q], Sight::whole(true))->pluck('records.id')->all();

        self::assertCount(count(array_filter(range(0, self::CALLS - 1), static fn (int $n): bool => $n % 3 === 2 && $n % 13 !== 0)), $found('saw'));
        self::assertSame([], $found('equipment'), 'the key of a field is no word of its value');
        self::assertSame([], $found('trombone'));
    }

    public function testWordsFollowTheRecordAndGoWithIt(): void
    {
        $this->onlyWithFullText();
        $record = CallRecord::query()->where('business_id', $this->business->id)->firstOrFail();
        $found = static fn (string $words): bool => in_array($record->call_id, RecordSearch::inField('equipment', $words)?->few() ?? [], true);
        $record->update(['cells' => ['equipment' => ['value' => 'road_roller', 'display' => 'Road roller', 'doubt' => null, 'turn' => null]]]);

        self::assertTrue($found('roller'));
        self::assertFalse($found('digger'));
        RecordSearch::drop([$record->call_id]);
        self::assertFalse($found('roller'));
    }

    public function testTheColumnsFollowTheState(): void
    {
        $call = Call::query()->where('business_id', $this->business->id)->firstOrFail();
        $call->update(['state' => ['topic' => 'invoices', 'connected' => ['person' => 'mara']]]);
        self::assertSame(['invoices', 'mara'], [$call->refresh()->topic, $call->taken_by]);
        $call->update(['state' => ['topic' => 3]]);
        self::assertSame([null, null], [$call->refresh()->topic, $call->taken_by]);
    }

    private function onlyWithFullText(): void
    {
        if (! FullText::there()) {
            self::markTestSkipped('This database has no full-text index of ours.');
        }
    }
}
