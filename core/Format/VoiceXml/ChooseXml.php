<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Step;

/** A menu with its keys. */
final readonly class ChooseXml implements StepXml
{
    public function write(Step $step, Writer $to): void
    {
        if (! $step instanceof ChooseStep) {
            return;
        }
        $to->element('menu', ['id' => $step->key(), 'accept' => 'approximate'], function () use ($step, $to): void {
            $to->prompt($step->prompt);
            foreach ($step->options as $option) {
                $to->element('choice', ['dtmf' => $option['digit'], 'next' => '#'.$option['next']], fn () => $to->xml->text($option['label']));
            }
            $to->events($step->again, $step->nonsense, $step->tries, $step->wayOut, null);
        });
    }

    public function refuses(Step $step): ?string
    {
        return null;
    }
}
