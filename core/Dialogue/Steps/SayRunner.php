<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Say\SayStep;
use Ringo\Script\Steps\Step;

final readonly class SayRunner implements StepRunner
{
    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof SayStep);
        $turn->prompt($step->prompt, $step->key());

        return Move::to($step->next);
    }
}
