<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Call;
use App\Models\Role;
use Illuminate\Support\Carbon;

/** Lines and people for the business's own calls, by hour of its own week. */
final class CapacityTest extends FeatureTestCase
{
    public function test_hours_with_too_few_are_found_from_the_calls_that_came(): void
    {
        $this->actingAs($this->user());
        $this->get('/pellbrook/capacity')->assertOk()->assertSee('No calls in these weeks');
        $monday = Carbon::now('Europe/London')->startOfWeek()->subWeeks(1)->setTime(9, 30);
        for ($n = 0; $n < 40; $n++) {
            $this->came($monday, 300, 'live');
        }
        $this->came($monday->copy()->addDay(), 300, 'live');
        // A rehearsal is no load.
        $this->came($monday->copy()->addDays(2), 300, 'rehearsal');
        $this->get('/pellbrook/capacity?people=3&lines=4')->assertOk()->assertSee('41 calls in the last 4 weeks')->assertSee('In 1 hour of the week there are too few')->assertSee('Monday 09:00: 40 calls an hour', false);
        $this->get('/pellbrook/capacity?people=20&lines=20')->assertOk()->assertSee('enough in every hour');
        $this->get('/pellbrook/capacity?plan=mean&people=3&lines=4&weeks=4')->assertOk()->assertSee('Monday 09:00: 10 calls an hour', false);
        $this->get('/pellbrook/capacity?weeks=0')->assertRedirect();
    }

    public function test_only_designers(): void
    {
        $this->actingAs($this->user(Role::Staff));
        $this->get('/pellbrook/capacity')->assertForbidden();
    }

    private function came(Carbon $at, float $seconds, string $kind): void
    {
        $state = ['id' => 'x', 'startedAt' => $at->format('c'), 'seed' => '1', 'from' => null, 'to' => null, 'caller' => []];
        Call::query()->create(['ref' => uniqid('c', true), 'business_id' => $this->business->id, 'agent_id' => $this->agent->id, 'script_text_id' => $this->agent->draft()->firstOrFail()->script_text_id, 'kind' => $kind, 'direction' => 'inbound', 'caller_name' => 'Somebody', 'status' => 'ended', 'outcome' => 'x', 'seconds' => $seconds, 'started_at' => $at->copy()->utc(), 'tz' => 'Europe/London', 'step' => 1, 'state' => $state, 'last_event_at' => now()]);
    }
}
