<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;

/** What the caller's words, keys and silence mean in one mode of a call. */
interface ModeHandler
{
    /** How much of the order of a turn is weighed here before and after the answer. */
    public function weighing(Turn $turn): Weighing;

    /** Takes the words as what is waited for; null where they are not. */
    public function answer(Turn $turn, Hearing $hearing): ?Move;

    /** What follows words that nobody could do anything with. */
    public function missed(Turn $turn, Hearing $hearing): Move;

    /** Takes keys; null where they mean nothing here. */
    public function keyed(Turn $turn, string $digits): ?Move;

    public function silent(Turn $turn): Move;

    /** Puts what is open again; false where the step's own question is it. */
    public function again(Turn $turn): bool;

    public function listens(Turn $turn): Waiting;
}
