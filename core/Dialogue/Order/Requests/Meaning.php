<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order\Requests;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Request;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Book\BookStep;

/** 'What do you mean?', 'such as?': the question explained. */
final readonly class Meaning implements Request
{
    public function __construct(private Phrasebook $phrases)
    {
    }

    public function answer(Turn $turn, Act $act, Hearing $hearing): ?Move
    {
        if ($turn->state->mode !== Mode::Answer || $turn->step() === null) {
            return null;
        }
        // 'What have you got', where it is asked when it would suit, asks for times.
        if ($turn->step() instanceof BookStep && $this->phrases->table('wish_answers', 'asks_free')->in($hearing->heard->tokens)) {
            return null;
        }
        $turn->trace->rule('the caller asks what is meant');

        return Move::help();
    }
}
