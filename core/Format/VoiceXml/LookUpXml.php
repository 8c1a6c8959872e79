<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Script\Steps\Step;

/** Goes the way of a system that is away: a voice browser knows no errands of the business. */
final readonly class LookUpXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        \assert($step instanceof LookUpStep);
        $to->goto($step->failed);
    }

    public function refuses(Step $step): string
    {
        return 'a voice browser cannot run the errands of the business; the call goes the way of a system that is away';
    }
}
