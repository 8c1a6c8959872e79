<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;

/** Tells in a comment who would be rung, and goes where nobody takes the call. */
final readonly class TransferXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        if ($step instanceof TransferStep) {
            $to->comment('hands the call over: '.($step->to ?? 'by the transfer rules'));
        }
        parent::does($step, $to);
    }

    public function refuses(Step $step): string
    {
        return 'the transfer rules are not part of the document; it goes on as if nobody could take the call';
    }
}
