<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Repeat\RepeatStep;
use Ringo\Script\Steps\Step;

/** Asks for another round; only the last item is kept in variables, which the document says. */
final readonly class RepeatXml extends FieldXml
{
    public function refuses(Step $step): string
    {
        return 'a voice browser keeps the last item only; the list itself is not part of the document';
    }

    protected function name(Step $step): string
    {
        return 'another';
    }

    protected function answers(Step $step, Writer $to): void
    {
        if ($step instanceof RepeatStep) {
            $to->comment("{$step->list}: a list of ".implode(', ', $step->fields).", at most {$step->most}");
        }
        $to->element('grammar', ['src' => 'builtin:grammar/boolean']);
    }

    protected function filled(Step $step, Writer $to): void
    {
        if ($step instanceof RepeatStep) {
            $to->ways([['another', $step->first]], $step->next);
        }
    }
}
