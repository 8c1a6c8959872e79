<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Finish\FinishStep;
use Ringo\Script\Steps\Step;

/** Ends the call. An outcome that was reached before stays: saying goodbye changes nothing about it. */
final readonly class FinishRunner implements StepRunner
{
    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof FinishStep);
        $turn->state->step = $step->key();
        $before = count($turn->actions);
        $turn->prompt($step->prompt, $step->key());
        if (count($turn->actions) === $before) {
            $turn->standing('goodbye');
        }
        $turn->end($turn->state->outcome ?? $step->outcome ?? 'finished');

        return Move::stay();
    }
}
