<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Summary\SummaryStep;

/** Reads the values back and asks for a yes; corrections within it are beyond a voice browser. */
final readonly class SummaryXml extends FieldXml
{
    public function write(Step $step, Writer $to): void
    {
        if (! $step instanceof SummaryStep) {
            return;
        }
        $to->element('form', ['id' => $step->key()], fn () => $to->element('field', ['name' => 'all_right', 'type' => 'boolean'], function () use ($step, $to): void {
            $to->element('prompt', [], function () use ($step, $to): void {
                foreach ($step->fields as $field) {
                    $to->element('value', ['expr' => $field]);
                }
            });
            $this->answers($step, $to);
            $to->element('filled', [], fn () => $this->filled($step, $to));
        }));
    }

    public function refuses(Step $step): string
    {
        return 'a correction within the summary is not taken; the whole is asked again';
    }

    protected function answers(Step $step, Writer $to): void
    {
        if ($step instanceof SummaryStep) {
            $to->events(null, [], $step->tries, $step->wayOut, $step->next);
        }
    }

    protected function filled(Step $step, Writer $to): void
    {
        $to->ways([['all_right', $step->exits()[0]->to]], $step->key());
    }
}
