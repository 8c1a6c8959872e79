<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Transfers\CallBacks;
use Ringo\Dialogue\Transfers\Transfers;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Value\ValueType;

/** When a call-back would suit. */
final readonly class CallingBack implements ModeHandler
{
    public function __construct(private Transfers $transfers, private CallBacks $callBacks)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::LeavingOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        return $this->transfers->callBack($turn, $hearing->heard);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::stay();
    }

    public function keyed(Turn $turn, string $digits): Move
    {
        $turn->standing('wrong_key');

        return Move::stay();
    }

    public function silent(Turn $turn): Move
    {
        return $this->callBacks->silent($turn);
    }

    public function again(Turn $turn): bool
    {
        $turn->standing('call_back_again', [], true);

        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting(ValueType::DateTime->value);
    }
}
