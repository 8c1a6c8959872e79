<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Advice\AdviceOf;
use App\Actions\Errands\KeptRuns;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\ErrandRun;
use App\Models\ScriptText;
use App\Models\User;
use Illuminate\Support\Str;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Extraction\OwnCall;
use Ringo\Extraction\Record;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Speech\Display;

/** Rings again as a call was rung: the same caller, moment and seed; whole, up to an earlier turn, or all its lines against the draft. */
final readonly class RepeatCall
{
    public function __construct(private CallHost $host, private Display $display, private SwitchboardOf $switchboard)
    {
    }

    /**
     * A new rehearsal that stands where the earlier call stood after some of its events.
     *
     * @param int $steps how many events of the earlier call are done again; 1 is the greeting alone
     */
    public function upTo(Call $earlier, int $steps, ScriptText $text, User $user): Call
    {
        $script = $text->script();
        $ref = (string) Str::ulid();
        $state = (new Opening($script))->state($ref, $earlier->placedAt()->toDateTimeImmutable(), (string) $earlier->state['seed'], $earlier->from, $earlier->to, $earlier->state['caller'], $earlier->state['people'] ?? []);
        $call = Call::query()->create([
            'ref' => $ref, 'business_id' => $earlier->business_id, 'agent_id' => $earlier->agent_id, 'script_text_id' => $text->id, 'contact_id' => $earlier->contact_id, 'rung_by' => $user->id,
            'kind' => 'rehearsal', 'direction' => $script->agent->direction, 'from' => $earlier->from, 'to' => $earlier->to, 'caller_name' => $earlier->caller_name, 'status' => 'in_progress',
            'started_at' => $earlier->started_at, 'tz' => $script->agent->tz, 'step' => 0, 'state' => $state->toArray(), 'errands' => $earlier->errands, 'last_event_at' => now(),
        ]);
        $this->host->happen($call, 0, Event::started());
        $advice = AdviceOf::call($earlier);
        foreach ($earlier->steps()->where('n', '>', 0)->where('n', '<', $steps)->get() as $step) {
            if (! $call->inProgress() || $step->event['kind'] === 'hung_up') {
                break;
            }
            // An opinion comes with the words it is about.
            if ($step->event['kind'] === 'advised') {
                continue;
            }
            [$kind, $text, $seconds] = [(string) $step->event['kind'], (string) ($step->event['text'] ?? ''), (float) ($step->event['seconds'] ?? 6)];
            $at = str_starts_with($kind, 'errand_') ? $this->again($call, $earlier, $step) : $this->host->at($call, $kind, $text, $seconds);
            $event = Event::fromArray(['kind' => $kind, 'text' => $text, 'seconds' => $seconds, 'at' => $at]);
            $this->host->happen($call, $call->step, $event, null, $advice);
        }

        return $call;
    }

    /** What an errand took then it takes now. */
    private function again(Call $call, Call $earlier, CallStep $step): float
    {
        $since = (float) ($call->state['errand']['since'] ?? $call->state['clock'] ?? 0);
        $sent = (float) ErrandRun::query()->where('call_id', $earlier->id)->where('at', '<=', $step->event['at'])->max('at');

        return round($since + max(0.0, (float) $step->event['at'] - $sent), 1);
    }

    /**
     * What the caller's lines of a past call lead to with another text of the script; nothing is stored.
     *
     * @return array{0: FinishedCall, 1: Record}
     */
    public function against(Call $earlier, ScriptText $text): array
    {
        $script = $text->script();
        $state = (new Opening($script))->state($earlier->ref, $earlier->placedAt()->toDateTimeImmutable(), (string) ($earlier->state['seed'] ?? '1'), $earlier->from, $earlier->to, $earlier->state['caller'] ?? ['known' => false], $earlier->state['people'] ?? []);
        /** @var list<array{kind: string, text?: string, seconds?: float|int}> $events */
        $events = $earlier->steps()->get()->pluck('event')->all();
        $finished = (new Rehearsal(Engine::for($script, $this->switchboard->business($earlier->business, true), errands: $earlier->business->errandDesigns(), advice: ($advice = AdviceOf::call($earlier))->about()), KeptRuns::of($earlier), $advice->kept()))->run($state, $events === [] ? $this->lines($earlier) : Input::fromEvents($events));

        return [$finished, (new OwnCall($script, $this->display))->record($finished->state, $finished->transcript)];
    }

    /** @return list<Input> what the caller of a call that was brought in said: of it nothing else is known */
    private function lines(Call $earlier): array
    {
        return array_values($earlier->turns->where('by', 'caller')->map(static fn (CallTurn $turn): Input => new Input('say', $turn->text))->all());
    }
}
