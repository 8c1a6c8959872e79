<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;

/** Stops the call: a diary is not kept by a voice browser. */
final readonly class BookXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        $to->unsupported('book', $this->refuses($step));
    }

    public function refuses(Step $step): string
    {
        return 'a voice browser has no diary to book in; the call stops here';
    }
}
