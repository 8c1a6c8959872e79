<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Send\SendStep;
use Ringo\Script\Steps\Step;

/** Tells in a comment what is sent: a voice browser sends nothing. */
final readonly class SendXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        if ($step instanceof SendStep) {
            $to->comment("sends by {$step->by} to {$step->to}: {$step->words->variants[0]}");
        }
        parent::does($step, $to);
    }

    public function refuses(Step $step): string
    {
        return 'a voice browser sends nothing; what is sent stands in a comment';
    }
}
