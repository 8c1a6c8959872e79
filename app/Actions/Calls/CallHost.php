<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Advice\AdviceOf;
use App\Actions\Advice\AskAdviser;
use App\Actions\Contacts\ChangeContacts;
use App\Actions\Diary\AppointmentBook;
use App\Actions\Diary\DiariesOf;
use App\Actions\Diary\FollowBooking;
use App\Actions\Diary\MoveBooking;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Knowledge\TimedKnowledge;
use App\Actions\Transfers\LearnExamples;
use App\Actions\Transfers\RingTelephones;
use App\Actions\Transfers\SwitchboardOf;
use App\Jobs\RunOwnErrand;
use App\Models\Advice;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\ErrandRun;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeQuestion;
use App\Models\KnowledgeSource;
use App\Models\Offer;
use App\Models\Team;
use Illuminate\Support\Facades\DB;
use Ringo\Advice\Opinion;
use Ringo\Dialogue\Actions\Advise;
use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\EventKind;
use Ringo\Dialogue\Outcome;
use Ringo\Errand\Errands;
use Ringo\Errand\Reply;
use Ringo\Rehearsal\Recorder;
use Ringo\Script\Script;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Speech\Timing;

/** Keeps a call between its steps: takes up the state, lets the engine work, and writes down turns, trace and record in one go. */
final class CallHost
{
    /** Seconds a typed answer takes to begin. */
    private const THINKS = 0.7;

    /** What the engine at work asks of the business's knowledge. */
    private ?TimedKnowledge $timed = null;

    public function __construct(private readonly KeepRecord $keepRecord, private readonly SwitchboardOf $switchboard, private readonly RingTelephones $telephones, private readonly ChangeContacts $contacts, private readonly KnowledgeOf $knowledge, private readonly LearnExamples $learn, private readonly DiariesOf $diaries, private readonly MoveBooking $mover, private readonly FollowBooking $follow, private readonly AskAdviser $adviser)
    {
    }

    /**
     * @param ?AdviceOf $kept opinions given in an earlier call that is done again: nobody else is asked
     *
     * The engine for a call; who can be reached is looked at anew for every step of a script that transfers.
     */
    public function engine(Call $call, ?AdviceOf $kept = null): Engine
    {
        $script = $call->scriptText->script();
        $transfers = $script->transfers->given() || array_filter($script->steps, static fn (Step $step): bool => $step instanceof TransferStep) !== [];

        $books = array_filter($script->steps, static fn (Step $step): bool => $step instanceof BookStep) !== [];

        $knows = $this->knowledge->forCalls($call->business);
        $knowledge = $this->timed = $knows === null ? null : new TimedKnowledge($knows);

        return Engine::for($script, $transfers ? $this->switchboard->later($call->business) : null, $knowledge, appointments: $books ? new AppointmentBook($call->business, $call, $this->diaries, $this->mover, $this->follow) : null, errands: $this->looksUp($script) ? Errands::later(static fn (): Errands => $call->business->errandDesigns()) : new Errands, advice: $kept === null ? static fn (): array => $call->business->adviser?->inCalls() ?? [] : $kept->about());
    }

    /**
     * @param ?int $step how many events the sender believes were handled; null for what comes whenever it comes, such as the answer to an errand
     * @param ?Offer $by the ringing telephone it comes from: it counts only while that still rings
     *
     * @throws CallMoved where another page was quicker, or the call is over
     * @throws OfferTaken where the telephone does not ring any more
     */
    public function happen(Call $call, ?int $step, Event $event, ?Offer $by = null, ?AdviceOf $kept = null): Outcome
    {
        $outcome = $this->once($call, $step, $event, $by, $kept);
        foreach ($outcome->actions as $action) {
            if (! $action instanceof Advise) {
                continue;
            }
            try {
                // The lock is not held while somebody else thinks; the words wait in the call's state.
                return $this->once($call, null, $this->opinion($call, $action, $event->at, $kept), null, $kept);
            } catch (CallMoved) {
                // The caller did not wait: what they did instead was weighed without an opinion.
                return $outcome;
            }
        }

        return $outcome;
    }

    private function opinion(Call $call, Advise $action, float $at, ?AdviceOf $kept): Event
    {
        $adviser = $call->business->adviser;
        if ($kept !== null || $adviser === null) {
            [$opinion, $seconds] = $kept?->kept()->opinion($action->doubt) ?? [Opinion::failed('there is no adviser any more'), 0.0];
            Advice::query()->create(['business_id' => $call->business_id, 'call_id' => $call->id, 'ident' => $action->id, 'purpose' => $action->doubt->purpose->value, 'doubt' => $action->doubt->key(), 'status' => $opinion->status, 'value' => $opinion->value, 'why' => $kept === null ? $opinion->why : 'kept from the earlier call', 'milliseconds' => (int) (1000 * $seconds), 'at' => $at]);

            return Event::advised($action->id, $opinion, $seconds, round($at + $seconds, 1));
        }
        $asked = $this->adviser->ask($adviser, $action->doubt, $call, ['ident' => $action->id, 'at' => $at]);
        $seconds = $asked->milliseconds / 1000;

        return Event::advised($action->id, $asked->opinion(), $seconds, round($at + $seconds, 1));
    }

    private function once(Call $call, ?int $step, Event $event, ?Offer $by, ?AdviceOf $kept): Outcome
    {
        return DB::transaction(function () use ($call, $step, $event, $by, $kept): Outcome {
            $loaded = $call->step;
            $call->lockAndReload();
            if ($call->step !== $loaded) {
                $call->unsetRelation('turns')->unsetRelation('newestStep');
            }
            // Two who take one call: whoever comes second finds it gone, looked at under the lock.
            if ($by !== null && Offer::query()->whereKey($by->id)->where('status', 'ringing')->doesntExist()) {
                throw new OfferTaken('This call is no longer ringing here.');
            }
            if (! $call->inProgress()) {
                throw new CallMoved('This call is over. Its transcript and record are in the call log.');
            }
            if ($step !== null && $call->step !== $step && ! $this->onlyAnswersSince($call, $step)) {
                throw new CallMoved('This call has gone on in another window. What you sent was not used; the page now shows how the call stands.');
            }
            $before = hrtime(true);
            $outcome = $this->engine($call, $kept)->step(CallState::fromArray($call->state), $event);
            $micros = intdiv((int) (hrtime(true) - $before), 1000);
            $this->write($call, $event, $outcome, $micros);
            $this->telephones->after($call, $event, $outcome);
            $this->errands($call, $event, $outcome);
            if ($outcome->state->ended) {
                $this->keepRecord->of($call, $outcome->state);
                $this->contacts->learn($call->load('record', 'scriptText'));
            }

            return $outcome;
        });
    }

    /** Whether nothing but answers of errands or of an adviser came since: whoever speaks just then has said it all the same. */
    private function onlyAnswersSince(Call $call, int $step): bool
    {
        return $step < $call->step && CallStep::query()->where('call_id', $call->id)->where('n', '>=', $step)->get(['event'])
            ->every(static fn (CallStep $one): bool => in_array($one->event['kind'], [EventKind::ErrandReturned->value, EventKind::ErrandWaits->value, EventKind::Advised->value], true));
    }

    /** When the caller's words would have been spoken: after the agent has finished, and as long as they take. */
    public function at(Call $call, string $kind, string $text, float $seconds = 6.0): float
    {
        $last = $call->turns->last();
        $end = max($last === null ? 0.0 : $last->at + $last->seconds, (float) ($call->state['clock'] ?? 0));
        if ($kind === 'interrupted') {
            return round($last === null ? $end : $last->at + min($last->seconds, $seconds), 1);
        }

        return round(match ($kind) {
            'said' => $end + self::THINKS + (new Timing)->ofCaller($text),
            'keys' => $end + self::THINKS + 0.4 * strlen($text),
            'staff_said' => $end + 0.4 + (new Timing)->ofAgent($text),
            'silence' => $end + $seconds,
            default => $end + 0.3,
        }, 1);
    }

    private function looksUp(Script $script): bool
    {
        return $script->errands->all !== [] || array_filter($script->steps, static fn (Step $step): bool => $step instanceof LookUpStep) !== [];
    }

    /** Notes errands that are to be run, and those that came back, with their marks on the strip. */
    private function errands(Call $call, Event $event, Outcome $outcome): void
    {
        $marks = $call->marks ?? [];
        if ($event->kind === EventKind::ErrandReturned) {
            $told = json_decode($event->text, true);
            $run = ErrandRun::query()->where('call_id', $call->id)->where('ident', $told['id'] ?? '')->first();
            if ($run !== null) {
                $reply = Reply::fromArray(is_array($told) ? $told : []);
                $run->update(['state' => ErrandRun::BACK, 'reply' => $reply->toArray(), 'milliseconds' => (int) round(1000 * (float) ($told['seconds'] ?? 0))]);
                $marks[] = ['at' => $run->at, 'kind' => 'errand', 'name' => $run->errand, 'status' => $reply->status, 'seconds' => round((float) ($told['seconds'] ?? 0), 2)];
            }
        }
        if ($event->kind === EventKind::Advised && ($told = json_decode($event->text, true)) !== null && ($asked = Advice::of($call)->where('ident', $told['id'] ?? '')->first()) !== null) {
            $marks[] = ['at' => $asked->at, 'kind' => 'advice', 'name' => $asked->purpose, 'status' => $asked->status, 'seconds' => round($event->seconds, 2)];
        }
        foreach ($outcome->actions as $action) {
            if ($action instanceof LookUp) {
                $run = ErrandRun::query()->create(['business_id' => $call->business_id, 'call_id' => $call->id, 'errand' => $action->errand, 'ident' => $action->id, 'idempotency_key' => $call->ref.'-'.$action->id, 'values' => $action->values, 'state' => ErrandRun::ASKED, 'at' => $event->at, 'aside' => ! $action->waits]);
                if (! $action->waits) {
                    // Written with the call's own step: neither is there without the other.
                    RunOwnErrand::dispatch($run->id)->beforeCommit();
                }
            }
        }
        if ($marks !== ($call->marks ?? [])) {
            $call->update(['marks' => $marks]);
        }
    }

    private function write(Call $call, Event $event, Outcome $outcome, int $micros): void
    {
        $turns = $call->turns;
        $recorder = new Recorder;
        $last = $event->kind === EventKind::Interrupted ? $turns->last() : null;
        if ($last instanceof CallTurn && $last->by === 'agent') {
            $cut = $recorder->cut($last->toTranscript(), $outcome->state->lastHeard, $event->seconds);
            $last->fill(['text' => $cut->text, 'seconds' => round($cut->seconds, 1), 'cut' => true, 'whole' => $cut->whole]);
            CallTurn::query()->where('call_id', $call->id)->where('n', $last->n)->update($last->getDirty());
            $last->syncOriginal();
        }
        $sources = array_values(array_unique($outcome->trace->sources));
        $rows = [];
        foreach ($recorder->turns($event, $outcome) as $turn) {
            $row = new CallTurn(['call_id' => $call->id, 'n' => $turns->count(), 'by' => $turn->by, 'text' => $turn->text, 'at' => round($turn->at, 1), 'seconds' => round($turn->seconds, 1), 'keys' => $turn->keys, 'steps' => $turn->steps, 'cut' => $turn->cut, 'whole' => null, 'sources' => $turn->by === 'agent' && $sources !== [] ? $sources : null]);
            $row->exists = true;
            $rows[] = $row->getAttributes();
            $turns->push($row->syncOriginal());
            $call->seconds = max($call->seconds, round($turn->at + $turn->seconds, 1));
        }
        if ($rows !== []) {
            CallTurn::query()->insert($rows);
        }
        $step = CallStep::query()->create(['call_id' => $call->id, 'n' => $call->step, 'event' => ($outcome->trace->masked ? $event->masked() : $event)->toArray(), 'trace' => $outcome->trace->toArray(), 'microseconds' => $micros, 'knowledge_microseconds' => min($micros, $this->timed->microseconds ?? 0)]);
        $call->setRelation('newestStep', $step);
        $this->asked($call, $sources, $outcome->trace->unanswered);
        $this->learn($call, $outcome->trace->lesson);
        $call->fill([
            'state' => $outcome->state->toArray(),
            'step' => $call->step + 1,
            'status' => $outcome->state->ended ? 'ended' : 'in_progress',
            'outcome' => $outcome->state->outcome ?? '',
            'seconds' => max($call->seconds, $event->at),
            'last_event_at' => now(),
            'slowest_microseconds' => max($call->slowest_microseconds, $micros),
        ])->save();
    }

    /**
     * What a caller of the line chose when asked is an example for the next.
     *
     * @param ?array{said: string, team: string} $lesson
     */
    private function learn(Call $call, ?array $lesson): void
    {
        $team = $lesson === null || $call->kind !== 'live' ? null : Team::query()->where('business_id', $call->business_id)->where('key', $lesson['team'])->first();
        if ($lesson !== null && $team !== null) {
            $this->learn->example($team, $lesson['said'], 'asked', 'waiting', $call);
        }
    }

    /**
     * Counts what was answered from which source, and keeps what was not.
     *
     * @param list<string> $sources
     * @param list<array{question: string, why: string}> $unanswered
     */
    private function asked(Call $call, array $sources, array $unanswered): void
    {
        foreach ($sources as $source) {
            $place = (string) preg_replace('/, version \d+$/', '', $source);
            [$file, $heading] = [...explode('#', $place, 2), ''];
            $row = KnowledgeSource::query()->where('business_id', $call->business_id)->where('name', $file)->first();
            if ($row !== null) {
                KnowledgeSource::query()->whereKey($row->id)->increment('answered');
                KnowledgePassage::query()->where('knowledge_source_id', $row->id)->where('heading', $heading)->increment('answered');
            }
        }
        foreach ($unanswered as $one) {
            KnowledgeQuestion::query()->create(['business_id' => $call->business_id, 'call_id' => $call->id, 'question' => mb_substr($one['question'], 0, 300), 'why' => mb_substr($one['why'], 0, 20)]);
        }
    }
}
