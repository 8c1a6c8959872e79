<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Somebody else is coming to the telephone: a greeting is met with who is speaking and the question; an answer is taken as one. */
final readonly class HandingOver implements ModeHandler
{
    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Answering $answering)
    {
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::Whole;
    }

    public function answer(Turn $turn, Hearing $hearing): ?Move
    {
        $turn->state->mode = Mode::Answer;
        $turn->trace->rule('somebody else speaks');
        $this->named($turn, $hearing);
        $move = $this->answering->answer($turn, $hearing);
        if ($move !== null) {
            return $move;
        }
        if ($hearing->act(ActKind::Presence) !== null || $this->phrases->content($hearing->heard->tokens) <= 1) {
            $hearing->dealtWith(ActKind::Presence);
            $turn->standing('new_speaker');

            return Move::again();
        }

        return null;
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        return $this->answering->missed($turn, $hearing);
    }

    public function keyed(Turn $turn, string $digits): ?Move
    {
        return $this->answering->keyed($turn, $digits);
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
        return new Waiting('topic', Waiting::HOLDING);
    }

    /** Keeps who it is, where the script has a field for it and the words tell. */
    private function named(Turn $turn, Hearing $hearing): void
    {
        $field = $turn->script->standing->newSpeaker === null ? null : $turn->script->sheet->field($turn->script->standing->newSpeaker);
        $reading = $field === null ? null : $this->understanding->read(ValueType::PersonName, $hearing->heard, $turn->plain()->volunteered());
        if ($field !== null && $reading !== null && $reading->found()) {
            $turn->hold($field, new Held($reading->value, $reading->confidence, Origin::Volunteered, $turn->callerTurn, $reading->said));
        }
    }
}
