<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Identity;
use Ringo\Dialogue\Walk\Move;

/** Whether it is about the same as the last call. Where the words say what it is about instead, they answer the script's first question. */
final readonly class Returning implements ModeHandler
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
        return $this->identity->again($turn, $hearing->heard) ?? Move::first();
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return Move::first();
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
