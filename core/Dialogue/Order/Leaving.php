<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Goodbye, hang-up words, 'stop calling me'. */
final readonly class Leaving implements Consideration
{
    /** Words of substance that may stand before a goodbye. */
    private const BESIDE_A_GOODBYE = 2;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($hearing->act(ActKind::StopCalling) !== null && $this->ofCalls($turn, $hearing)) {
            $hearing->dealtWith(ActKind::StopCalling);
            $turn->trace->rule('the caller wants no more calls: do not call');
            $turn->state->doNotCall = true;
            $turn->standing('no_calls');
            $turn->end('do not call');

            return Move::stay();
        }

        // 'I'll have one' takes leave of nobody.
        if ($this->phrases->table('acts', 'takes_up')->in($hearing->heard->tokens) && ! $this->phrases->phrases('goodbyes')->in($hearing->heard->tokens)) {
            return null;
        }

        return $hearing->alone(ActKind::Leaving) === null && ! $this->endsWithIt($turn, $hearing) || $this->answers($turn, $hearing)
            ? null
            : $this->goodbye($turn, $hearing);
    }

    /** Who rang themselves speaks of calls where they want no more of them: 'I don't want this dog any more' is what they ring about. */
    private function ofCalls(Turn $turn, Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;

        return $turn->script->agent->direction === 'outbound'
            || $this->phrases->phrases('stop_calling')->in($tokens)
            || $this->phrases->phrases('of_calls')->in($tokens);
    }

    /** 'That's lovely, bye', where nothing in particular was asked. */
    private function endsWithIt(Turn $turn, Hearing $hearing): bool
    {
        $leaving = $hearing->act(ActKind::Leaving)?->words->tokens ?? [];
        $said = $hearing->heard->tokens;
        if ($leaving === [] || ! $turn->step() instanceof ListenStep || $hearing->asks() || end($leaving)->end !== (end($said)->end ?? 0)) {
            return false;
        }

        return $this->phrases->content(array_slice($said, 0, count($said) - count($leaving))) <= self::BESIDE_A_GOODBYE;
    }

    /** 'That's right, bye' answers a read-back first. */
    private function answers(Turn $turn, Hearing $hearing): bool
    {
        return $turn->state->mode === Mode::Confirm && $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->found();
    }

    private function goodbye(Turn $turn, Hearing $hearing): Move
    {
        $hearing->dealtWith(ActKind::Leaving);
        $turn->trace->rule('the caller says goodbye');
        $step = $turn->step();
        if ($step instanceof ListenStep && $step->nothing !== null) {
            return Move::to($step->nothing);
        }
        $turn->standing('goodbye');
        $turn->end($turn->state->outcome ?? 'caller left');

        return Move::stay();
    }
}
