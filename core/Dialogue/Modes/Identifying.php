<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Identity;
use Ringo\Dialogue\Walk\Move;

/** Who of several people on one number it is. */
final readonly class Identifying implements ModeHandler
{
    public function __construct(private Identity $identity, private Answering $answering)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::AnswerOnly;
    }

    public function answer(Turn $turn, Hearing $hearing): Move
    {
        return $this->identity->who($turn, $hearing->heard);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::to($turn->first());
    }

    public function keyed(Turn $turn, string $digits): Move
    {
        $turn->standing('wrong_key');

        return Move::stay();
    }

    public function silent(Turn $turn): Move
    {
        return $this->answering->silent($turn);
    }

    public function again(Turn $turn): bool
    {
        return false;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('topic');
    }
}
