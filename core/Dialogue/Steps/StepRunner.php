<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;

/** Runs one kind of step. */
interface StepRunner
{
    /** The call comes to the step: it speaks, decides or does what it is for, and says what follows. */
    public function enter(Turn $turn, Step $step): Move;
}
