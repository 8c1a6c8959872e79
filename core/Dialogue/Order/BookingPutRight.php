<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Appointments\AgreedFields;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Book\BookStep;

/** 'Actually, could we make it one o'clock instead', once a time is booked, moves the booking where the design has a step that does. */
final readonly class BookingPutRight implements Consideration
{
    public function __construct(private Corrections $corrections)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer || $turn->state->booked === [] || $step === null || $step instanceof BookStep || ! $this->corrections->sounded($hearing->heard)) {
            return null;
        }
        $moving = AgreedFields::moving($turn);
        if ($moving === null || $this->corrections->find($turn, $hearing->heard, AgreedFields::of($turn), true) === []) {
            return null;
        }
        $turn->trace->rule("another time than the one that is booked: {$moving->key()} moves it");

        return $step instanceof AskStep ? Move::aside($moving->key()) : Move::to($moving->key());
    }
}
