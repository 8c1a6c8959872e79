<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Lines\KeepLine;
use App\Actions\Lines\RingMany;
use App\Models\Call;
use App\Models\Line;
use App\Models\LineRush;
use App\Models\Person;
use App\Models\Role;
use App\Models\Team;

/** Many ring a line within some minutes: each takes its path, and no more than the line takes at once. */
final class RushTest extends FeatureTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $nora = Person::query()->create(['business_id' => $this->business->id, 'key' => 'nora', 'name' => 'Nora Fell', 'number' => null, 'presence' => 'available', 'site' => '']);
        Team::query()->create(['business_id' => $this->business->id, 'key' => 'reservations', 'name' => 'Reservations', 'description' => 'hiring machines', 'examples' => [], 'hours' => [], 'ring' => 'all', 'seconds' => 20, 'waiting_most' => 3])->people()->attach($nora->id, ['position' => 0]);
        $owner = $this->user(Role::Owner)->refresh();
        $this->actingAs($owner);
        $keep = app(KeepLine::class);
        $line = $keep->make($this->business->refresh(), ['key' => 'main', 'name' => 'Main', 'number' => '01632 960100', 'agent' => 'maren', 'at_once' => 2, 'answers' => ['week' => ['mon' => [['from' => '09:00', 'to' => '10:00', 'who' => 'staff_first', 'target' => 'team:reservations', 'seconds' => 12]]], 'otherwise' => ['who' => 'agent']]], 'number', $owner);
        $keep->live($line, $this->agent->releases()->firstOrFail(), $owner);
    }

    public function testNoMoreHoldTheLineThanItTakesAndEachCallIsKept(): void
    {
        $rush = $this->rush(['callers' => 12, 'minutes' => 1, 'at' => '2026-03-09T14:00']);
        self::assertSame(['done', 12, 12], [$rush->status, $rush->done, array_sum($rush->sums['ends'] ?? [])]);
        self::assertSame(2, $rush->sums['most'] ?? 0);
        self::assertGreaterThan(4, $rush->sums['ends']['all lines taken'] ?? 0);
        self::assertSame(12, Call::query()->where('kind', 'live')->whereNotNull('line_id')->count());
        // By the calls as they are kept: at the beginning of each, no more than the other one is going on.
        $spans = [];
        foreach (Call::query()->where('outcome', '!=', 'all lines taken')->orderBy('started_at')->get() as $call) {
            $begins = $call->started_at->getTimestamp();
            self::assertLessThan(2, count(array_filter($spans, static fn (array $span): bool => $span[0] <= $begins && $span[1] > $begins)));
            $spans[] = [$begins, $begins + (int) floor($call->seconds) - 1];
        }
        $this->get("/pellbrook/exchange/rushes/{$rush->id}")->assertOk()->assertSee('found all lines taken');
        $this->getJson("/pellbrook/exchange/rushes/{$rush->id}")->assertJson(['status' => 'done', 'done' => 12, 'total' => 12]);
    }

    public function testTheSameSeedGivesTheSameRush(): void
    {
        $one = $this->rush(['callers' => 6, 'minutes' => 5, 'at' => '2026-03-09T14:00', 'seed' => 'a']);
        $two = $this->rush(['callers' => 6, 'minutes' => 5, 'at' => '2026-03-09T14:00', 'seed' => 'a']);
        self::assertSame($one->sums, $two->sums);
    }

    public function testStaffRingFirstWithTheRealSeconds(): void
    {
        $this->rush(['callers' => 2, 'minutes' => 30, 'at' => '2026-03-09T09:10']);
        foreach (Call::query()->with('turns')->get() as $call) {
            self::assertEqualsWithDelta(12.0, $call->turns->firstOrFail()->at, 0.5, 'the agent speaks once staff have not answered');
        }
        $rush = $this->rush(['callers' => 2, 'minutes' => 1, 'at' => '2026-03-09T09:10', 'staff' => 'answers']);
        self::assertSame(['answered by Nora Fell' => 2], $rush->sums['ends'] ?? []);
    }

    public function testOneThatWasBrokenOffGoesOnAndCountsOnce(): void
    {
        $rush = LineRush::query()->create(['business_id' => $this->business->id, 'line_id' => Line::query()->sole()->id, 'callers' => 4, 'minutes' => 30, 'seed' => '1', 'placed_at' => '2026-03-09 14:00', 'staff' => 'no_answer', 'status' => 'running', 'done' => 0]);
        app(RingMany::class)->run($rush);
        LineRush::query()->whereKey($rush->id)->update(['status' => 'running', 'done' => 3]);
        app(RingMany::class)->run($rush->refresh());
        self::assertSame([4, 'done'], [$rush->refresh()->done, $rush->status]);
        self::assertSame(5, Call::query()->count(), 'only the one that was set back rang again');
    }

    public function testWhatCannotBeIsRefused(): void
    {
        $this->post('/pellbrook/exchange/rushes', ['line' => 'main', 'at' => 'noon', 'callers' => 1, 'minutes' => 0, 'staff' => 'sing'])->assertSessionHasErrors(['at', 'callers', 'minutes', 'staff']);
        Line::query()->update(['state' => Line::PAUSED]);
        $this->post('/pellbrook/exchange/rushes', ['line' => 'main', 'at' => '2026-03-09T14:00', 'callers' => 2, 'minutes' => 1, 'staff' => 'answers'])->assertSessionHasErrors(['line' => 'Main takes no calls: put it live first.']);
        self::assertSame(0, LineRush::query()->count());
    }

    /** @param array<string, mixed> $with */
    private function rush(array $with): LineRush
    {
        $this->post('/pellbrook/exchange/rushes', $with + ['line' => 'main', 'staff' => 'no_answer'])->assertSessionHasNoErrors()->assertRedirect();

        return LineRush::query()->latest('id')->firstOrFail();
    }
}
