<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Branch\BranchStep;
use Ringo\Script\Steps\Step;

/** Conditions as an if with its branches. */
final readonly class BranchXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        if ($step instanceof BranchStep) {
            $to->ways(array_map(static fn (array $way): array => [$to->condition($way['when']->comparisons()), $way['next']], $step->ways), $step->otherwise);
        }
    }
}
