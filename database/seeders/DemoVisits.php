<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\CallHost;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Release;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Numbering\NumberingPlan;
use Ringo\Rehearsal\Input;

/** Calls of the demonstration that book, move and cancel: each takes the path of a live call, so that what it agrees stands in the diary. */
final readonly class DemoVisits
{
    /** The hour of the day from which on nobody rings the workshop. */
    private const LAST_HOUR = 17;

    public function __construct(private CallHost $host, private NumberingPlan $plan)
    {
    }

    /** @param list<array{days_ago: string, time: string, from: string, said: string, seed: string}> $calls in the order in which they came in; `said` are the caller's lines */
    public function calls(Business $business, Agent $agent, Release $release, array $calls): void
    {
        $script = $release->scriptText->script();
        foreach ($calls as $row) {
            $placed = $this->placed($business, (int) $row['days_ago'], $row['time'])->toDateTimeImmutable();
            $caller = CallerChoice::ringing(
                $business,
                $row['from'] === '' ? null : $this->plan->parse($row['from'], $business->country)?->e164,
                $this->plan,
                $placed,
            );
            $state = (new Opening($script))->state(
                $ref = (string) Str::ulid($placed),
                $placed,
                $row['seed'],
                $caller->number,
                null,
                $caller->facts,
                $caller->people,
            );
            $call = Call::query()->create([
                'ref' => $ref, 'business_id' => $business->id, 'agent_id' => $agent->id, 'script_text_id' => $release->script_text_id, 'release_id' => $release->id, 'contact_id' => $caller->contact?->id,
                'kind' => 'live', 'direction' => 'inbound', 'from' => $caller->number, 'caller_name' => $caller->name, 'status' => 'in_progress',
                'started_at' => $placed->setTimezone(new \DateTimeZone('UTC')), 'tz' => $script->agent->tz, 'step' => 0, 'state' => $state->toArray(), 'last_event_at' => now(),
            ]);
            $this->host->happen($call, 0, Event::started());
            foreach (Input::fromLines($row['said']) as $input) {
                $call = Call::query()->with('turns')->findOrFail($call->id);
                if (! $call->inProgress()) {
                    break;
                }
                $this->host->happen($call, $call->step, Event::said($input->text, $this->host->at($call, 'said', $input->text)));
            }
            $call = Call::query()->with('turns')->findOrFail($call->id);
            if ($call->inProgress()) {
                $this->host->happen($call, $call->step, Event::hungUp($this->host->at($call, 'hang_up', '')));
            }
        }
    }

    /** On a weekday within the hours of the workshop, and never later than now. */
    private function placed(Business $business, int $daysAgo, string $time): Carbon
    {
        $placed = Carbon::now($business->tz)->startOfDay()->subDays($daysAgo)->setTimeFromTimeString($time);
        while ($placed->isWeekend() || $placed->isFuture() || $placed->hour >= self::LAST_HOUR) {
            $placed = $placed->subDay();
        }

        return $placed;
    }
}
