<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Dialogue\Actions\CallBack;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/**
 * Promises a call-back where nobody can take the call: asks when it would suit, holds the answer against the hours of whoever will ring,
 * and says the time back. Nothing is promised that cannot be kept: without a number to ring there is no call-back.
 */
final readonly class CallBacks
{
    /** When a part of the day begins, for callers who say no more. */
    private const PARTS = ['morning' => '09:00', 'lunch' => '13:00', 'afternoon' => '14:00', 'teatime' => '16:30', 'end of the day' => '16:30', 'evening' => '17:30', 'later' => null];

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Switchboard $switchboard)
    {
    }

    /** Whether there is a number to ring, and anybody to ring it. */
    public function possible(Turn $turn): bool
    {
        return self::number($turn) !== null && $this->switchboard->anybody();
    }

    /** Asks when. The target is who would have taken the call. */
    public function ask(Turn $turn): void
    {
        $state = $turn->state;
        $state->mode = Mode::CallBack;
        $state->silences = 0;
        $turn->trace->rule('offers a call-back');
        $turn->standing('call_back_when', ['who' => $this->who($turn)], true);
    }

    /** The caller's answer; null where the caller wants no call-back, or no time could be made out. */
    public function heard(Turn $turn, Heard $heard): ?Move
    {
        $state = $turn->state;
        $transfer = $state->transfer;
        if ($transfer === null) {
            return null;
        }
        $now = $turn->scope()->now;
        $at = $this->time($turn, $heard, $now);
        $offered = $transfer['offered'] ?? null;
        if ($at === null) {
            $yes = $this->understanding->read(ValueType::YesNo, $heard, new Context($now, $turn->script->agent->country))->value;
            if ($this->phrases->is($heard, 'any_time') || $yes === true && is_string($offered)) {
                return $this->promise($turn, is_string($offered) ? new \DateTimeImmutable($offered, $now->getTimezone()) : $this->soonest($turn, $now));
            }
            if ($yes === false || $transfer['asked'] >= 2) {
                $turn->trace->rule($yes === false ? 'no call-back is wanted' : 'no time could be made out');

                return null;
            }
            $transfer['asked']++;
            $state->transfer = $transfer;
            $turn->trace->rule('no time in it');
            $turn->standing('call_back_again', [], true);

            return Move::stay();
        }
        $open = $this->open($turn, $at);
        if ($open === null || $open > $at) {
            $next = $open ?? $this->soonest($turn, $now);
            $turn->trace->rule('nobody is there then; the next time is '.$next->format('D H:i'));
            $transfer['offered'] = $next->format('Y-m-d\TH:i');
            $transfer['asked']++;
            $state->transfer = $transfer;
            $turn->standing('call_back_closed', ['when' => $this->said($turn, $next)], true);

            return Move::stay();
        }

        return $this->promise($turn, $at);
    }

    /** Silence: asked once more, then promised for the soonest time. */
    public function silent(Turn $turn): Move
    {
        $state = $turn->state;
        if ($state->silences <= 1) {
            $turn->standing('call_back_again', [], true);

            return Move::stay();
        }

        return $this->promise($turn, $this->soonest($turn, $turn->scope()->now));
    }

    private function promise(Turn $turn, \DateTimeImmutable $at): Move
    {
        $state = $turn->state;
        $number = self::number($turn);
        $step = $turn->script->steps[$state->transfer['step'] ?? ''] ?? null;
        if ($number === null) {
            return Move::again();
        }
        $who = $this->who($turn);
        $name = $state->values[$turn->script->sheet->callersName()->key ?? '']->value ?? $state->caller['name'] ?? null;
        $turn->trace->rule('call-back promised for '.$at->format('D j M, H:i'));
        $turn->standing('call_back_promised', ['who' => $who, 'when' => $this->said($turn, $at), 'number' => $turn->sayTyped(new Typed(ValueType::Phone, $number))]);
        $turn->actions[] = new CallBack($state->transfer['target'] ?? '', $number, is_string($name) ? $name : null, $at->format('Y-m-d\TH:i'), $state->transfer['why'] ?? '');
        $state->outcome = 'call-back promised';
        $state->tags[] = 'call_back';
        $state->transfer = null;
        $state->mode = Mode::Answer;
        if ($step instanceof TransferStep && $step->promised !== null) {
            return Move::to($step->promised);
        }
        $turn->standing('call_back_bye');
        $turn->end($state->outcome);

        return Move::stay();
    }

    private function time(Turn $turn, Heard $heard, \DateTimeImmutable $now): ?\DateTimeImmutable
    {
        $context = new Context($now, $turn->script->agent->country);
        $words = (string) preg_replace('/\b(?:any ?time )?(?:after|from|between|about|around|past|before|by|for|towards)\b/iu', 'at', $heard->original);
        $at = $this->understanding->hear($words);
        $exact = $this->understanding->read(ValueType::DateTime, $heard, $context)->value ?? $this->understanding->read(ValueType::DateTime, $at, $context)->value;
        if (is_string($exact)) {
            return $this->sensible(new \DateTimeImmutable($exact, $now->getTimezone()), $now);
        }
        $day = $this->understanding->read(ValueType::Date, $heard, $context)->value;
        $time = $this->understanding->read(ValueType::Time, $at, $context)->value;
        if (! is_string($day) && ! is_string($time)) {
            return null;
        }
        if (is_string($time)) {
            $found = new \DateTimeImmutable((is_string($day) ? $day : $now->format('Y-m-d')).'T'.$time, $now->getTimezone());

            return is_string($day) ? $this->sensible($found, $now) : $this->daytime($found, $now);
        }
        $start = new \DateTimeImmutable($day.'T00:00', $now->getTimezone());
        foreach (self::PARTS as $part => $clock) {
            if ($clock !== null && stripos($heard->original, $part) !== false) {
                return $this->sensible(new \DateTimeImmutable($day.'T'.$clock, $now->getTimezone()), $now);
            }
        }
        if ($start->format('Y-m-d') === $now->format('Y-m-d')) {
            return $this->soonest($turn, $now->modify('+1 hour'));
        }

        return $this->open($turn, $start) > $start ? $this->open($turn, $start) : $start->setTime(9, 0);
    }

    /** 'At three' means the next three o'clock of a working day: the afternoon where the figure is small. */
    private function daytime(\DateTimeImmutable $at, \DateTimeImmutable $now): \DateTimeImmutable
    {
        if ((int) $at->format('G') >= 1 && (int) $at->format('G') < 7) {
            $at = $at->modify('+12 hours');
        }

        return $at <= $now ? $at->modify('+1 day') : $at;
    }

    private function sensible(\DateTimeImmutable $at, \DateTimeImmutable $now): ?\DateTimeImmutable
    {
        return $at < $now->modify('-1 minute') || $at > $now->modify('+92 days') ? null : $at;
    }

    private function soonest(Turn $turn, \DateTimeImmutable $from): \DateTimeImmutable
    {
        $soon = $from->setTime((int) $from->format('G'), intdiv((int) $from->format('i'), 5) * 5)->modify('+15 minutes');

        return $this->open($turn, $soon) ?? $soon;
    }

    /** When whoever will ring is there: that time itself, the next opening, or null where none is known. */
    private function open(Turn $turn, \DateTimeImmutable $at): ?\DateTimeImmutable
    {
        $target = $turn->state->transfer['target'] ?? '';
        $reach = $target === '' ? null : $this->switchboard->reach($target, $at);
        if ($reach !== null && $reach['state'] === 'closed') {
            return $reach['opens'];
        }
        if ($reach === null || $reach['state'] === 'unknown') {
            return $turn->script->hours->openAt($at) ? $at : $turn->script->hours->nextOpening($at);
        }

        return $at;
    }

    private function who(Turn $turn): string
    {
        $target = $turn->state->transfer['target'] ?? '';

        return $target === '' || $target === 'team:none' ? $turn->script->agent->business : (str_starts_with($target, 'number:') ? 'us' : $this->switchboard->named($target));
    }

    private function said(Turn $turn, \DateTimeImmutable $at): string
    {
        return $turn->sayTyped(new Typed(ValueType::DateTime, $at->format('Y-m-d\TH:i')));
    }

    private static function number(Turn $turn): ?string
    {
        foreach ($turn->script->sheet->fields as $field) {
            $value = $field->type === ValueType::Phone ? ($turn->state->values[$field->key]->value ?? null) : null;
            if (is_string($value)) {
                return $value;
            }
        }

        return $turn->state->from;
    }
}
