<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Note\NoteStep;
use Ringo\Script\Steps\Step;

/** Sets and clears variables; what is worked out is told in a comment. */
final readonly class NoteXml extends BlockXml
{
    protected function does(Step $step, Writer $to): void
    {
        if ($step instanceof NoteStep) {
            foreach ($step->set as $name => $value) {
                $to->element('assign', ['name' => (string) $name, 'expr' => $to->literal($value)]);
            }
            foreach (array_keys($step->workOut) as $name) {
                $to->comment("works out {$name}");
            }
            foreach ($step->forget as $name) {
                $to->element('clear', ['namelist' => $name]);
            }
        }
        parent::does($step, $to);
    }
}
