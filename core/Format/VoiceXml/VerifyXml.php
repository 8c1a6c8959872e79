<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;

/** Stops the call: whom to trust is not decided by a voice browser. */
final readonly class VerifyXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        $to->unsupported('verify', $this->refuses($step));
    }

    public function refuses(Step $step): string
    {
        return 'a voice browser has no facts to check the caller against; the call stops here';
    }
}
