<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Script;
use Ringo\Speech\Display;
use Ringo\Speech\Speakable;
use Ringo\Speech\Ssml;
use Ringo\Speech\Timing;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Understanding;

/**
 * Runs a call as a pure step: state and what happened give a new state, what to do, and why.
 *
 * It reads no clock and rolls no dice: the same script, inputs, times and seed give the same call, byte for byte.
 */
final readonly class Engine
{
    private Phrasebook $phrases;

    private Walker $walker;

    private Answers $answers;

    private Transfers $transfers;

    private Identity $identity;

    private CallBacks $callBacks;

    public function __construct(
        public Script $script,
        private Understanding $understanding,
        private Speakable $speakable,
        private Display $display,
        ?Switchboard $switchboard = null,
        ?Knowledge $knowledge = null,
    ) {
        $this->phrases = new Phrasebook($understanding->words, $script->agent);
        $collector = new Collector($understanding);
        $this->walker = new Walker($understanding, $switchboard ?? Switchboard::none());
        $this->callBacks = new CallBacks($understanding, $this->phrases, $switchboard ?? Switchboard::none(), $this->walker);
        $this->transfers = new Transfers($switchboard ?? Switchboard::none(), $this->walker, $this->callBacks);
        $this->identity = new Identity($understanding, $this->walker);
        $this->answers = new Answers(
            $understanding,
            $this->phrases,
            $collector,
            new Corrections($understanding, $collector, $speakable),
            new Topics($understanding->words),
            new Replies($understanding, $this->phrases, $collector, $knowledge),
            $this->walker,
            $this->transfers,
            $this->identity,
        );
    }

    public static function for(Script $script, ?Switchboard $switchboard = null, ?Knowledge $knowledge = null): self
    {
        $words = Vocabulary::of($script->agent->language);
        $plan = new NumberingPlan;

        return new self($script, new Understanding($words, $plan), new Speakable($words, $plan), new Display($words, $plan), $switchboard, $knowledge);
    }

    public function step(CallState $before, Event $event): Outcome
    {
        $state = CallState::fromArray($before->toArray());
        $trace = new Trace($event->kind->value);
        $trace->fromStep = $state->step;
        $turn = new Turn($this->script, $state, $trace, $this->phrases, $this->speakable, $this->display, new Timing, new Ssml);
        if ($state->ended) {
            $trace->rule('the call is over');

            return new Outcome($state, [], $trace);
        }
        $state->clock = max($state->clock, $event->at);
        match ($event->kind) {
            EventKind::Started => $this->begin($turn),
            EventKind::Said => $this->said($turn, $event->text),
            EventKind::Keys => $this->keys($turn, $event->text),
            EventKind::Silence => $this->silence($turn),
            EventKind::Interrupted => $this->interrupted($turn, $event->seconds),
            EventKind::HungUp => $this->hungUp($turn),
            EventKind::StaffSaid => $this->staffSaid($turn, $event->text),
            EventKind::Answered => $this->transfers->answered($turn, $event->text),
            EventKind::Busy, EventKind::NoAnswer, EventKind::Declined => $this->transfers->failed($turn, str_replace(['transfer_', '_'], ['', ' '], $event->kind->value), $event->text),
        };
        $this->limit($turn);
        $this->settle($turn);

        return new Outcome($state, $turn->actions, $trace);
    }

    private function begin(Turn $turn): void
    {
        $turn->trace->rule('the call begins');
        if ($this->script->agent->speaksFirst) {
            if ($this->identity->open($turn)) {
                $this->walker->go($turn, $this->script->first);
            }
        } else {
            $turn->trace->rule('the caller speaks first');
        }
    }

    private function staffSaid(Turn $turn, string $text): void
    {
        $turn->trace->heard = $text;
        $turn->trace->rule('a member of staff speaks');
        $turn->state->turns++;
    }

    private function said(Turn $turn, string $text): void
    {
        $heard = $this->understanding->hear($text);
        if ($heard->all === []) {
            $this->silence($turn);

            return;
        }
        $this->heardSomething($turn);
        $turn->trace->heard = $heard->original;
        $turn->trace->cleaned = $heard->cleaned();
        if ($turn->state->mode === 'connected') {
            $turn->trace->rule('the caller speaks with '.($turn->state->connected['name'] ?? 'a colleague'));

            return;
        }
        $this->answers->answer($turn, $heard);
    }

    private function keys(Turn $turn, string $digits): void
    {
        if ($digits === '') {
            return;
        }
        $this->heardSomething($turn);
        $turn->trace->heard = $digits;
        $turn->trace->cleaned = $digits;
        if ($turn->state->mode !== 'connected') {
            $this->answers->keyed($turn, $digits);
        }
    }

    private function heardSomething(Turn $turn): void
    {
        $state = $turn->state;
        $turn->callerTurn = $state->turns;
        $state->turns++;
        $state->heard++;
        $state->silences = 0;
        $state->quiet = 0;
        $state->holding = false;
    }

    private function silence(Turn $turn): void
    {
        $state = $turn->state;
        if ($state->mode === 'connected') {
            return;
        }
        if ($state->mode === 'ringing') {
            $this->transfers->waiting($turn, false);

            return;
        }
        if ($state->holding) {
            $state->holding = false;
            $turn->trace->rule('the caller asked for a moment: this silence does not count');
            $this->walker->askAgain($turn);

            return;
        }
        $state->silences++;
        $state->quiet++;
        if ($state->quiet >= 5) {
            $turn->trace->rule('nothing heard five times running');
            $turn->standing('unheard_end');
            $turn->end($state->outcome ?? 'no reply');

            return;
        }
        $state->mode === 'call_back' ? $this->callBacks->silent($turn) : $this->walker->silent($turn);
    }

    private function interrupted(Turn $turn, float $seconds): void
    {
        $part = (new Timing)->heardAfter($turn->state->lastSpoken, $seconds, $this->script->agent->voice['pace'] * $turn->state->pace);
        $turn->trace->rule('interrupted after '.number_format($seconds, 1).' s: '.($part === '' ? 'nothing' : '“'.$part.'”').' had been heard');
        $turn->state->lastHeard = $part;
    }

    private function hungUp(Turn $turn): void
    {
        $turn->trace->rule('the caller hung up');
        $turn->end($turn->state->outcome ?? 'caller hung up');
    }

    /** No path loops for ever: turns and minutes are limited, each with its own ending. */
    private function limit(Turn $turn): void
    {
        $state = $turn->state;
        if ($state->ended || $state->mode === 'connected') {
            return;
        }
        $limits = $this->script->limits;
        [$why, $phrase, $outcome] = match (true) {
            $state->heard >= $limits->turns => ["more than {$limits->turns} turns", 'limit', 'turn limit reached'],
            $state->clock >= 60 * $limits->minutes => ["longer than {$limits->minutes} minutes", 'limit_time', 'time limit reached'],
            default => [null, '', ''],
        };
        if ($why === null) {
            return;
        }
        $turn->trace->rule('limit of the call: '.$why);
        $turn->actions = [];
        $turn->standing($phrase);
        $turn->end($state->outcome ?? $outcome);
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
            $turn->actions[] = $this->walker->listen($turn);
        }
        $turn->trace->toStep = $state->step;
    }
}
