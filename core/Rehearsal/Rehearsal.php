<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Advice\Advisers;
use Ringo\Advice\Opinion;
use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\Advise;
use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\Actions\Speak;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Errands\Running;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\EventKind;
use Ringo\Dialogue\Outcome;
use Ringo\Errand\Kept;
use Ringo\Errand\Prepared;
use Ringo\Errand\Reply;
use Ringo\Speech\Timing;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/** Runs a whole call against caller lines, on a clock of its own: nobody waits. */
final readonly class Rehearsal
{
    /** Seconds a caller takes before answering. */
    private const THINKS = 0.7;

    /** Seconds a telephone rings for a transfer before it counts as not answered. */
    private const RINGS = 20.0;

    /** Seconds somebody takes to decline, or a telephone to be found busy. */
    private const DECLINES = 3.0;

    private Timing $timing;

    private Recorder $recorder;

    /**
     * @param ?Prepared $errands who answers errands; without one every errand fails
     * @param ?Advisers $advisers whose second opinion there is; without one nobody has any
     */
    public function __construct(private Engine $engine, private ?Prepared $errands = null, private ?Advisers $advisers = null)
    {
        $this->timing = new Timing;
        $this->recorder = new Recorder;
    }

    /**
     * @param list<Input> $inputs
     * @param ?callable(Event, Outcome, int): void $watch called after each step with the nanoseconds it took
     * @param list<Turn> $turns those of a call taken up again; none where it begins
     * @param bool $hangUp whether the caller hangs up when there are no more inputs
     */
    public function run(CallState $state, array $inputs, ?callable $watch = null, array $turns = [], bool $hangUp = true): FinishedCall
    {
        $left = $inputs;
        $call = $this->converse($state, static function () use (&$left): ?Input {
            return array_shift($left);
        }, $watch, $turns, $hangUp);

        return new FinishedCall($call->state, $call->transcript, $call->events, $call->traces, $call->state->ended ? count($left) : 0);
    }

    /**
     * The same with a caller who decides what to do when it is their turn.
     *
     * @param callable(CallState): ?Input $next null where there is nothing more: the caller hangs up
     * @param ?callable(Event, Outcome, int): void $watch called after each step with the nanoseconds it took
     * @param list<Turn> $turns those of a call taken up again; none where it begins
     */
    public function converse(CallState $state, callable $next, ?callable $watch = null, array $turns = [], bool $hangUp = true): FinishedCall
    {
        $last = $turns[count($turns) - 1] ?? null;
        $clock = $last === null ? 0.0 : max($state->clock, $last->at + $last->seconds);
        $begins = $turns === [];
        $events = [];
        $traces = [];
        $step = function (Event $event) use (&$step, &$state, &$clock, &$turns, &$events, &$traces, $watch): void {
            $before = hrtime(true);
            $outcome = $this->engine->step($state, $event);
            $spent = (int) (hrtime(true) - $before);
            $state = $outcome->state;
            if ($event->kind === EventKind::Interrupted && ($last = array_pop($turns)) !== null) {
                $turns[] = $last->by === 'agent' ? $this->recorder->cut($last, $state->lastHeard, $event->seconds) : $last;
            }
            array_push($turns, ...$this->recorder->turns($event, $outcome));
            $events[] = $event;
            $traces[] = $outcome->trace;
            $clock = max($clock, $event->at) + array_sum(array_map(static fn (Action $action): float => $action instanceof Speak ? $action->seconds : 0.0, $outcome->actions)) + 0.4;
            if ($watch !== null) {
                $watch($event, $outcome, $spent);
            }
            foreach ($outcome->actions as $action) {
                if ($action instanceof Advise) {
                    [$opinion, $seconds] = $this->advisers?->opinion($action->doubt) ?? [Opinion::failed('nobody is there to be asked'), 0.0];
                    $step(Event::advised($action->id, $opinion, $seconds, round($event->at + $seconds, 1)));
                }
                if ($action instanceof LookUp && ! $action->waits) {
                    // Nobody waits for it; whoever keeps the call keeps what came of it.
                    $errand = $this->engine->errands->get($action->errand);
                    $errand === null ?: $this->errands?->reply($errand, $action->values);
                } elseif ($action instanceof LookUp && ! $state->ended) {
                    $this->errand($action, $event->at, $step);
                }
            }
        };
        if ($begins) {
            $step(Event::started());
        }
        while (! $state->ended && ($input = $next($state)) !== null) {
            $at = $clock + self::THINKS;
            if ($input->kind === 'interrupt') {
                $last = $turns[count($turns) - 1] ?? null;
                $clock = $last !== null && $last->by === 'agent' ? $last->at + min($last->seconds, $input->seconds) : $clock;
                $step(Event::interrupted($input->seconds, round($clock, 1)));

                continue;
            }
            $step(match ($input->kind) {
                'say' => Event::said($input->text, round($at + $this->timing->ofCaller($input->text), 1)),
                'key' => Event::keys($input->text, round($at + 0.4 * strlen($input->text), 1)),
                'silence' => Event::silence($input->seconds, round($clock + $input->seconds, 1)),
                'answered' => Event::answered($input->text !== '' ? $input->text : $this->rung($state), round($clock + 4, 1)),
                'busy', 'no_answer', 'declined' => Event::notAnswered('transfer_'.$input->kind, $input->text, round($clock + ($input->kind === 'no_answer' ? $this->ringing($state) : self::DECLINES), 1)),
                'staff' => Event::staffSaid($input->text, round($at + $this->timing->ofAgent($input->text), 1)),
                default => Event::hungUp(round($at, 1)),
            });
        }
        if (! $state->ended && $hangUp) {
            $step(Event::hungUp(round($clock + self::THINKS, 1)));
        }
        $agent = $this->engine->script->agent;

        return new FinishedCall(
            $state,
            new Transcript($state->id, $state->startedAt, $agent->tz, $agent->country, $agent->direction, $state->from, $state->to, $turns),
            $events,
            $traces,
            0,
        );
    }

    /**
     * An errand on the call's own clock: the time it takes goes by, and then its answer is there.
     *
     * @param callable(Event): void $happens
     */
    private function errand(LookUp $action, float $since, callable $happens): void
    {
        $errand = $this->engine->errands->get($action->errand);
        $kept = $errand === null || $this->errands === null
            ? new Kept(Reply::failed($errand === null ? "there is no errand “{$action->errand}”" : "{$errand->system} is not there"), 0.1)
            : $this->errands->reply($errand, $action->values)->within($action->seconds);
        for ($after = Running::UNNOTICED; $after < $kept->seconds; $after += Running::BETWEEN_PHRASES) {
            $happens(Event::errandWaits(round($since + $after, 1)));
        }
        $happens(Event::errandReturned($action->id, $kept->reply, $kept->seconds, round($since + $kept->seconds, 1)));
    }

    /** Whoever rings first of those who ring now. */
    private function rung(CallState $state): string
    {
        return $state->first['rings'][$state->first['group'] ?? 0]['people'][0] ?? $state->transfer['groups'][$state->transfer['group'] ?? 0][0] ?? '';
    }

    /** Seconds until a telephone that nobody answers is given up: as long as the line says, or as a team usually rings. */
    private function ringing(CallState $state): float
    {
        // The clock is ahead of the ringing by the breath after each step.
        return isset($state->first['rings'][$state->first['group']]) ? $state->first['rings'][$state->first['group']]['seconds'] - 0.4 : self::RINGS;
    }
}
