<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Reach\ReachStep;
use Ringo\Value\ValueType;

/** A wrong number: who was rung says so, or who rings has dialled one. The call ends politely, where no step of its own finds out who picked up. */
final readonly class WrongNumber implements Consideration
{
    /** Words of substance that may stand beside it. */
    private const BESIDE = 3;

    public function __construct(private Phrasebook $phrases)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        if ($turn->script->agent->direction !== 'outbound') {
            return $this->saysSo($turn, $hearing) ? self::dialled($turn) : null;
        }
        $said = $this->phrases->table('outbound', 'wrong_number_outright');
        if ($turn->step() instanceof ReachStep || ! $said->in($hearing->heard->tokens)
            || $this->phrases->content($said->without($hearing->heard->tokens)) > self::BESIDE) {
            return null;
        }
        $turn->trace->rule('wrong number');
        $turn->standing('reach_wrong');
        $turn->standing('goodbye');
        $turn->end('wrong number');

        return Move::stay();
    }

    /** A caller who meant to ring somebody else; where a number is spoken of it is that one which is wrong. */
    private function saysSo(Turn $turn, Hearing $hearing): bool
    {
        $said = $this->phrases->table('outbound', 'dialled_wrong');
        $step = $turn->step();
        $ofANumber = $turn->state->mode !== Mode::Answer || $step instanceof AskStep && in_array($turn->script->sheet->field($step->field)?->type, [ValueType::Phone, ValueType::Reference, ValueType::Number], true);

        return ! $ofANumber && $said->in($hearing->heard->tokens) && $this->phrases->content($this->phrases->table('outbound', 'with_an_apology')->without($said->without($hearing->heard->tokens))) === 0;
    }

    /** Whoever has dialled a wrong number is let go kindly. */
    public static function dialled(Turn $turn): Move
    {
        $turn->trace->rule('the caller has dialled a wrong number');
        $turn->standing('no_trouble');
        $turn->standing('goodbye');
        $turn->end('wrong number');

        return Move::stay();
    }
}
