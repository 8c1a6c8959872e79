<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Reach\ReachStep;
use Ringo\Script\Steps\Step;

/** Asks for the person by yes and no; who else picked up and voicemail are beyond a voice browser. */
final readonly class ReachXml extends FieldXml
{
    public function refuses(Step $step): string
    {
        return 'a voicemail and somebody who fetches the person are not told apart in a voice browser';
    }

    protected function name(Step $step): string
    {
        return 'right_person';
    }

    protected function answers(Step $step, Writer $to): void
    {
        $to->element('grammar', ['src' => 'builtin:grammar/boolean']);
    }

    protected function filled(Step $step, Writer $to): void
    {
        if (! $step instanceof ReachStep) {
            return;
        }
        if ($step->somebodyElse === null) {
            $to->element('if', ['cond' => 'right_person'], function () use ($step, $to): void {
                $to->goto($step->next);
                $to->xml->writeElement('else');
                $to->exit('not reached');
            });

            return;
        }
        $to->ways([['right_person', $step->next]], $step->somebodyElse);
    }
}
