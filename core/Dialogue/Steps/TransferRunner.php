<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Transfers\Transfers;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;

final readonly class TransferRunner implements StepRunner
{
    public function __construct(private Transfers $transfers)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof TransferStep);

        return $this->transfers->begin($turn, $step);
    }
}
