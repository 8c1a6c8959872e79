<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;

/** Runs a kind of step at which the call waits for the caller. */
interface AskingRunner extends StepRunner
{
    /** The value the words give for what is asked, before anything is done about it. */
    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading;

    /** Takes the words as an answer; null where they are none. */
    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move;

    /** Takes keys as an answer; null where they are none. */
    public function keyed(Turn $turn, Step $step, string $digits): ?Move;

    /** The question in a short form. */
    public function short(Turn $turn, Step $step): ?Prompt;

    /** Speaks help or an example, if there is any. */
    public function help(Turn $turn, Step $step): Help;

    /** What is waited for: its name, the seconds before it counts as silence, the keys that mean something. */
    public function listens(Turn $turn, Step $step): Waiting;

    /** Own words after something not understood, silence or a wrong key; null where there are none. */
    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt;
}
