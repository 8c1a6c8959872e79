<?php

declare(strict_types=1);

namespace App\Actions\Lines;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\CallHost;
use App\Actions\Errands\RecogniseElsewhere;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use App\Models\Release;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Dialogue\Transfers\StaffFirst;
use Ringo\Errand\CallerFound;
use Ringo\Line\Way;

/** Places a call on a line: it takes the line's real path, runs the line's release, and is kept as a live call with all that follows it. */
final readonly class PlaceCall
{
    public function __construct(private LinesOf $lines, private CallHost $host, private RecogniseElsewhere $elsewhere)
    {
    }

    /**
     * @param ?string $origin page a visitor rings from
     *
     * @throws ValidationException where the line is not in service
     */
    public function on(Line $line, CallerChoice $caller, \DateTimeImmutable $at, ?User $user = null, ?string $seed = null, ?string $origin = null): Call
    {
        if (! $line->live()) {
            throw ValidationException::withMessages(['line' => "{$line->name} is ".($line->state === Line::PAUSED ? 'paused' : 'not live yet').': a call would find no line there.']);
        }
        $business = $line->business;
        $way = $this->lines->exchange($business)->way($line->key, $at->setTimezone(new \DateTimeZone($business->tz)));
        $ends = $way->line->key === $line->key ? $line : ($business->lines()->where('key', $way->line->key)->first() ?? $line);

        return $this->ring($ends, $line, $way, $caller, $at, $user, $seed, $origin);
    }

    /** The way as it stands at the moment the call is kept: whoever took the last place a moment before counts. */
    private function now(Line $rung, Way $way, \DateTimeImmutable $at): Way
    {
        // The first statement writes: two who ring at once are kept one after the other.
        Line::query()->whereKey($rung->id)->update(['updated_at' => now()]);
        $taken = Call::query()->where('line_id', $rung->id)->where('status', 'in_progress')->count();

        return $taken < $rung->design()->atOnce ? $way : $this->foresee($rung->business, $rung, $at);
    }

    private function ring(Line $line, Line $rung, Way $way, CallerChoice $caller, \DateTimeImmutable $at, ?User $user, ?string $seed, ?string $origin): Call
    {
        $release = $this->release($line, $way);
        $script = $release->scriptText->script();
        $ref = (string) Str::ulid();
        $facts = $caller->facts;
        $asked = $way->then === Way::AGENT ? $this->elsewhere->ask($line->business, $script->recognition->errand, $facts, $caller->number, null) : null;
        $facts = $asked === null ? $facts : CallerFound::with($facts, $asked['came']->reply);
        $state = (new Opening($script))->state($ref, $at, $seed ?? (string) random_int(1, 999_999), $caller->number, $rung->e164, $facts, $caller->people);
        $call = DB::transaction(function () use ($rung, $way, $at, $state, $ref, $line, $release, $caller, $user, $script, $origin): Call {
            $way = $this->now($rung, $way, $at);
            $state->opening = $way->opening;
            $state->first = $this->first($way);

            return Call::query()->create([
                'ref' => $ref, 'business_id' => $line->business_id, 'agent_id' => $release->agent_id, 'script_text_id' => $release->script_text_id, 'release_id' => $release->id, 'contact_id' => $caller->contact?->id, 'line_id' => $rung->id, 'rung_by' => $user?->id,
                'kind' => 'live', 'direction' => 'inbound', 'from' => $caller->number, 'to' => $rung->e164, 'caller_name' => $caller->name, 'status' => 'in_progress',
                'started_at' => $at->setTimezone(new \DateTimeZone('UTC')), 'tz' => $script->agent->tz, 'step' => 0, 'state' => $state->toArray(), 'last_event_at' => now(), 'way' => $way->why, 'origin' => $origin,
            ]);
        });
        if ($asked !== null) {
            $this->elsewhere->keep($call, $asked, 'really');
        }
        $this->host->happen($call, 0, Event::started());

        return $call->refresh();
    }

    /** @return ?array{target: string, rings: list<array{people: list<string>, seconds: int}>, group: int, then: string, words: string, outcome: string} what comes before the agent, or in its place */
    public function first(Way $way): ?array
    {
        if ($way->rings === [] && $way->then === Way::AGENT) {
            return null;
        }

        return [
            'target' => $way->target ?? '', 'rings' => $way->rings, 'group' => 0, 'then' => $way->then === Way::AGENT ? StaffFirst::THEN_AGENT : StaffFirst::THEN_WORDS, 'words' => $way->words,
            'outcome' => $way->then === Way::FORWARD ? Ending::FORWARDED : ($way->full ? Ending::FULL : Ending::NOBODY),
        ];
    }

    /** The line's own release; where another agent answers, that one's latest. */
    public function release(Line $line, Way $way): Release
    {
        $agent = $way->agent === null || $way->agent === $line->agent->key ? null : Agent::query()->where('business_id', $line->business_id)->where('key', $way->agent)->first();

        return $agent->latestRelease ?? $line->release ?? throw ValidationException::withMessages(['line' => "{$line->name} runs no release any more. Put it live again."]);
    }

    /** What would happen, without a call. */
    public function foresee(Business $business, Line $line, \DateTimeImmutable $at): Way
    {
        return $this->lines->exchange($business)->way($line->key, $at->setTimezone(new \DateTimeZone($business->tz)));
    }
}
