<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Branch\BranchStep;
use Ringo\Script\Steps\Step;

final readonly class BranchRunner implements StepRunner
{
    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof BranchStep);
        $scope = $turn->scope();
        foreach ($step->ways as $way) {
            if ($way['when']->holds($scope->value(...))) {
                $turn->trace->rule("branch {$step->key()}: {$way['when']->inWords()}");

                return Move::to($way['next']);
            }
        }
        $turn->trace->rule("branch {$step->key()}: otherwise");

        return Move::to($step->otherwise);
    }
}
