<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Finish\FinishStep;
use Ringo\Script\Steps\Step;

/** Ends the call with its outcome. */
final readonly class FinishXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        $to->exit(($step instanceof FinishStep ? $step->outcome : null) ?? 'finished');
    }
}
