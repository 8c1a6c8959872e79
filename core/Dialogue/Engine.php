<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Advice\Doubt;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;
use Ringo\Dialogue\Actions\Action;
use Ringo\Dialogue\Actions\Advise;
use Ringo\Dialogue\Actions\Listen;
use Ringo\Dialogue\Actions\Speak;
use Ringo\Dialogue\Acts\Asked;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Walk\Move;
use Ringo\Dialogue\Walk\MoveKind;
use Ringo\Errand\Errands;
use Ringo\Fit\Memory;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Speech\Display;
use Ringo\Speech\Speakable;
use Ringo\Speech\Ssml;
use Ringo\Speech\Timing;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;

/**
 * Runs a call as a pure step: state and what happened give a new state, what to do, and why.
 *
 * It reads no clock and rolls no dice: the same script, inputs, times and seed give the same call, byte for byte.
 */
final readonly class Engine
{
    /** Considerations that make nothing of words said while an errand was on its way. */
    private const LEFT_ASIDE = ['NotUnderstood', 'OffTopic', 'StandingRequests', null];

    /** Lines of the caller that are remembered. */
    private const REMEMBERED = 12;

    private Wiring $parts;

    /** @param list<Purpose>|\Closure(): list<Purpose> $advice what a second opinion may be asked about; nothing where Ringo decides alone */
    public function __construct(
        public Script $script,
        private Understanding $understanding,
        private Speakable $speakable,
        private Display $display,
        private ?Switchboard $switchboard = null,
        private ?Knowledge $knowledge = null,
        private ?Memory $memory = null,
        private ?Appointments $appointments = null,
        public Errands $errands = new Errands,
        private array|\Closure $advice = [],
    ) {
        $this->parts = new Wiring($script, $understanding, $speakable, $switchboard ?? Switchboard::none(), $knowledge, $memory ?? Memory::english(), $appointments, $errands);
    }

    /** @param list<Purpose>|\Closure(): list<Purpose> $advice */
    public static function for(Script $script, ?Switchboard $switchboard = null, ?Knowledge $knowledge = null, ?Memory $memory = null, ?Appointments $appointments = null, Errands $errands = new Errands, array|\Closure $advice = []): self
    {
        $words = Vocabulary::of($script->agent->language);
        $plan = new NumberingPlan;

        return new self($script, new Understanding($words, $plan), new Speakable($words, $plan), new Display($words, $plan), $switchboard, $knowledge, $memory, $appointments, $errands, $advice);
    }

    /**
     * The same engine, that may ask for second opinions about these.
     *
     * @param list<Purpose> $advice
     */
    public function advisedOn(array $advice): self
    {
        return new self($this->script, $this->understanding, $this->speakable, $this->display, $this->switchboard, $this->knowledge, $this->memory, $this->appointments, $this->errands, $advice);
    }

    public function step(CallState $before, Event $event): Outcome
    {
        if ($before->advising !== null) {
            return $this->afterAdvice($before, $before->advising, $event);
        }
        if ($event->kind === EventKind::Advised) {
            $trace = new Trace($event->kind->value);
            $trace->rule('an opinion nobody waits for: it is left aside');

            return new Outcome(CallState::fromArray($before->toArray()), [], $trace);
        }
        try {
            return $this->worked($before, $event, new Counsel($event->kind === EventKind::Said ? $this->advice : []));
        } catch (Doubted $doubted) {
            return $this->asksAdvice($before, $event, $doubted->doubt);
        }
    }

    /** Nothing is decided yet: the words wait for a second opinion. */
    private function asksAdvice(CallState $before, Event $event, Doubt $doubt): Outcome
    {
        $state = CallState::fromArray($before->toArray());
        $state->clock = max($state->clock, $event->at);
        $state->advices++;
        $id = 'a'.$state->advices;
        $state->advising = ['id' => $id, 'event' => $event->toArray(), 'doubt' => $doubt->toArray()];
        $trace = new Trace($event->kind->value);
        $trace->fromStep = $trace->toStep = $state->step;
        $trace->heard = $this->understanding->hear($event->text)->original;
        $trace->rule('unsure '.$doubt->purpose->words().': asks the adviser');

        return new Outcome($state, [new Advise($id, $doubt)], $trace);
    }

    /**
     * The words that waited are heard now, with the opinion where there is one; whatever else has happened meanwhile comes after them.
     *
     * @param array{id: string, event: array{kind: string, at: float, text: string, seconds: float}, doubt: array<string, mixed>} $asked
     */
    private function afterAdvice(CallState $before, array $asked, Event $event): Outcome
    {
        $state = CallState::fromArray($before->toArray());
        $state->advising = null;
        $told = $event->kind === EventKind::Advised ? json_decode($event->text, true) : null;
        $opinion = is_array($told) && ($told['id'] ?? null) === $asked['id'] ? Opinion::fromArray($told) : null;
        /** @var array{purpose: string, about: string, said: string, choices: array<array-key, string>, text: string} $doubt */
        $doubt = $asked['doubt'];
        $key = Doubt::fromArray($doubt)->key();
        $words = Event::fromArray(['at' => $event->kind === EventKind::Advised ? $event->at : $asked['event']['at']] + $asked['event']);
        $outcome = $this->worked($state, $words, new Counsel([], $key, $opinion?->status === Opinion::TAKEN ? $opinion->value : ''));
        array_unshift($outcome->trace->rules, match (true) {
            $opinion === null => 'no opinion: decides alone',
            $opinion->status === Opinion::TAKEN => 'the adviser answered',
            $opinion->status === Opinion::NONE => 'the adviser says: none of these',
            default => 'no use of the adviser: '.$opinion->why,
        });
        // The caller's words stand in the transcript since they were said.
        $outcome->trace->heard = '';
        if ($event->kind === EventKind::Advised) {
            return $outcome;
        }
        $after = $this->step($outcome->state, $event);
        array_unshift($after->trace->rules, ...$outcome->trace->rules);

        return new Outcome($after->state, [...array_filter($outcome->actions, static fn (Action $action): bool => ! $action instanceof Listen), ...$after->actions], $after->trace);
    }

    private function worked(CallState $before, Event $event, Counsel $counsel): Outcome
    {
        $state = CallState::fromArray($before->toArray());
        $trace = new Trace($event->kind->value);
        $trace->fromStep = $state->step;
        $turn = new Turn($this->script, $state, $trace, $this->parts->phrases, $this->speakable, $this->display, new Timing, new Ssml, $counsel);
        if ($before->ended) {
            $trace->rule('the call is over');

            return new Outcome($state, [], $trace);
        }
        $state->clock = max($state->clock, $event->at);
        $this->parts->walker->follow($turn, $this->happened($turn, $event));
        $turn = $this->meanwhile($turn);
        $this->parts->limits->hold($turn);
        $this->parts->ownErrands->after($turn);
        $this->settle($turn);
        if ($turn->state->ended && $turn->state->booking !== null) {
            // A hang-up frees what was held.
            $this->appointments?->release($state->id);
        }

        return new Outcome($turn->state, $turn->actions, $trace);
    }

    private function happened(Turn $turn, Event $event): Move
    {
        return match ($event->kind) {
            EventKind::Started => $turn->state->first === null ? $this->begin($turn) : $this->parts->staffFirst->begin($turn),
            EventKind::Said => $this->said($turn, $event->text),
            EventKind::Keys => $this->parts->keys->pressed($turn, $event->text),
            EventKind::Silence => $this->parts->silences->heard($turn),
            EventKind::Interrupted => $this->interrupted($turn, $event->seconds),
            EventKind::HungUp => $this->hungUp($turn),
            EventKind::StaffSaid => $this->staffSaid($turn, $event->text),
            EventKind::ErrandReturned => $this->parts->errands->returned($turn, $event),
            EventKind::ErrandWaits => $this->parts->errands->waits($turn),
            EventKind::Advised => Move::stay(),
            EventKind::Answered => $turn->state->first === null ? $this->parts->transfers->answered($turn, $event->text) : $this->parts->staffFirst->answered($turn, $event->text),
            EventKind::Busy, EventKind::NoAnswer, EventKind::Declined => $this->notAnswered($turn, $event),
        };
    }

    /** What the caller said while an errand was on its way is weighed now; where it is no answer and no wish, all stands as it did. */
    private function meanwhile(Turn $turn): Turn
    {
        $said = $turn->state->heardMeanwhile;
        if ($said === [] || $turn->state->errand !== null && $turn->state->errand['asks'] === 'out' || $turn->state->ended) {
            return $turn;
        }
        $turn->state->heardMeanwhile = [];
        $heard = $this->understanding->hear(implode('. ', $said));
        if ($heard->all === [] || $turn->state->mode !== Mode::Answer) {
            return $turn;
        }
        $trial = $turn->on(CallState::fromArray($turn->state->toArray()));
        $trial->trace->rule('what was said meanwhile: “'.$heard->original.'”');
        $move = $this->weigh($trial, $heard);
        if (in_array($trial->trace->decided, self::LEFT_ASIDE, true)) {
            $turn->trace->decided = null;

            return $turn;
        }
        // The question that is answered already is not put.
        $question = array_search($turn->state->lastQuestion, array_map(static fn (Action $action): string => $action instanceof Speak ? $action->text : '', $turn->actions), true);
        if ($turn->state->lastQuestion !== '' && $question !== false) {
            array_splice($trial->actions, $question, 1);
        }
        $this->parts->walker->follow($trial, $move);

        return $trial;
    }

    private function begin(Turn $turn): Move
    {
        $turn->trace->rule('the call begins');
        if ($this->script->agent->speaksFirst) {
            return $this->parts->identity->open($turn);
        }
        $turn->trace->rule('the caller speaks first');

        return Move::stay();
    }

    private function notAnswered(Turn $turn, Event $event): Move
    {
        $how = str_replace(['transfer_', '_'], ['', ' '], $event->kind->value);

        return $turn->state->first === null ? $this->parts->transfers->failed($turn, $how, $event->text) : $this->parts->staffFirst->failed($turn, $how);
    }

    private function staffSaid(Turn $turn, string $text): Move
    {
        $turn->trace->heard = $text;
        $turn->trace->rule('a member of staff speaks');
        $turn->state->turns++;

        return Move::stay();
    }

    private function said(Turn $turn, string $text): Move
    {
        $heard = $this->understanding->hear($text);
        if ($heard->all === []) {
            return $this->parts->silences->heard($turn);
        }
        if ($turn->state->first !== null) {
            return $this->parts->staffFirst->waiting($turn);
        }
        $turn->heardSomething();
        $turn->trace->heard = $heard->original;
        $turn->trace->cleaned = $heard->cleaned();
        // What is said to be checked is remembered nowhere.
        if (! ($turn->step() instanceof VerifyStep && $turn->state->mode === Mode::Answer) && $turn->state->mode !== Mode::Connected) {
            $turn->state->said = array_slice([...$turn->state->said, $heard->original], -self::REMEMBERED);
        }
        if ($turn->state->step === null && $turn->state->mode === Mode::Answer) {
            return $this->spokeFirst($turn, $heard);
        }
        $move = $this->weigh($turn, $heard);

        return $move->kind === MoveKind::First ? $this->spokeFirst($turn, $heard) : $move;
    }

    private function weigh(Turn $turn, Heard $heard): Move
    {
        $hearing = $this->parts->acts->in($heard, Asked::by($turn));
        $weighing = $this->parts->modes->now($turn)->weighing($turn);
        $move = $this->parts->order($weighing)->weigh($turn, $hearing);
        $turn->trace->acts = $turn->trace->masked ? [] : $hearing->rows();

        return $move;
    }

    /** Words said before the greeting answer an open question that follows it. */
    private function spokeFirst(Turn $turn, Heard $heard): Move
    {
        $turn->trace->rule('the caller spoke first');
        $this->parts->walker->go($turn, $turn->first());
        if (! $turn->step() instanceof ListenStep) {
            return Move::stay();
        }
        $greeting = $turn->actions;
        $turn->actions = [];
        $this->parts->walker->follow($turn, $this->weigh($turn, $heard));
        $turn->actions = $turn->actions === [] ? $greeting : $turn->actions;

        return Move::stay();
    }

    private function interrupted(Turn $turn, float $seconds): Move
    {
        $part = (new Timing)->heardAfter($turn->state->lastSpoken, $seconds, $this->script->agent->voice['pace'] * $turn->state->pace);
        $turn->trace->rule('interrupted after '.number_format($seconds, 1).' s: '.($part === '' ? 'nothing' : '“'.$part.'”').' had been heard');
        $turn->state->lastHeard = $part;

        return Move::stay();
    }

    private function hungUp(Turn $turn): Move
    {
        $turn->trace->rule('the caller hung up');
        $turn->end($turn->state->outcome ?? Ending::HUNG_UP);

        return Move::stay();
    }

    /** Counts what was spoken as a turn of the transcript, and says what is waited for. */
    private function settle(Turn $turn): void
    {
        $state = $turn->state;
        $spoken = array_values(array_filter($turn->actions, static fn (Action $action): bool => $action instanceof Speak));
        if ($spoken !== []) {
            $state->turns++;
            $state->lastSpoken = implode(' ', array_map(static fn (Speak $speak): string => $speak->text, $spoken));
        }
        if (! $state->ended) {
            $turn->actions[] = $this->listen($turn);
        }
        $turn->trace->toStep = $state->step;
    }

    /** What a call waits for as it stands: kind of answer, seconds before silence counts, keys that mean something. */
    public function waiting(CallState $state): Listen
    {
        return $this->listen(new Turn($this->script, CallState::fromArray($state->toArray()), new Trace('waiting'), $this->parts->phrases, $this->speakable, $this->display, new Timing, new Ssml));
    }

    private function listen(Turn $turn): Listen
    {
        $state = $turn->state;
        $waiting = $this->parts->modes->now($turn)->listens($turn);

        return new Listen($waiting->for, $state->holding ? Waiting::HOLDING : $waiting->seconds, $waiting->keys.'*'.($this->script->standing->personKey ?? ''), $state->step);
    }
}
