<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Agent;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\Contact;
use App\Models\Release;
use App\Support\Stopwatch;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Event;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Transcript\Turn;

/** Writes a call that was run to its end elsewhere into the log, as if it had been handled here. */
final readonly class KeepFinishedCall
{
    public function __construct(private KeepRecord $keepRecord)
    {
    }

    /** @param ?Stopwatch $watch that noted what each of its steps took; null where nobody did */
    public function live(Agent $agent, Release $release, FinishedCall $finished, ?Contact $contact, ?Stopwatch $watch = null): Call
    {
        $taken = $watch->taken ?? [];

        return DB::transaction(function () use ($agent, $release, $finished, $contact, $taken): Call {
            $state = $finished->state;
            $started = new \DateTimeImmutable($state->startedAt);
            $call = Call::query()->create([
                'ref' => $state->id,
                'business_id' => $agent->business_id,
                'agent_id' => $agent->id,
                'script_text_id' => $release->script_text_id,
                'release_id' => $release->id,
                'contact_id' => $contact?->id,
                'kind' => 'live',
                'direction' => $finished->transcript->direction,
                'from' => $state->from,
                'to' => $state->to,
                'caller_name' => $contact->name ?? ($state->from === null ? 'Withheld number' : 'Unknown caller'),
                'status' => 'ended',
                'outcome' => $state->outcome ?? 'finished',
                'seconds' => $finished->transcript->seconds(),
                'started_at' => $started->setTimezone(new \DateTimeZone('UTC')),
                'tz' => $finished->transcript->tz,
                'slowest_microseconds' => $taken === [] ? 0 : max($taken),
                'step' => count($finished->events),
                'state' => $state->toArray(),
                'last_event_at' => $started->setTimezone(new \DateTimeZone('UTC')),
            ]);
            CallTurn::query()->insert(array_map(static fn (Turn $turn, int $n): array => ['call_id' => $call->id, 'n' => $n, 'by' => $turn->by, 'text' => $turn->text, 'at' => round($turn->at, 1), 'seconds' => round($turn->seconds, 1), 'keys' => $turn->keys, 'steps' => json_encode($turn->steps, JSON_THROW_ON_ERROR), 'cut' => $turn->cut, 'whole' => $turn->whole], $finished->transcript->turns, array_keys($finished->transcript->turns)));
            CallStep::query()->insert(array_map(static fn (Event $event, int $n): array => ['call_id' => $call->id, 'n' => $n, 'event' => json_encode($event->toArray(), JSON_THROW_ON_ERROR), 'trace' => json_encode($finished->traces[$n]->toArray(), JSON_THROW_ON_ERROR), 'microseconds' => $taken[$n] ?? 0], $finished->events, array_keys($finished->events)));
            $this->keepRecord->of($call, $state);

            return $call;
        });
    }
}
