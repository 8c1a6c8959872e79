<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;

/** A form with one block: what is said, what is done, where it goes. */
abstract readonly class BlockXml implements StepXml
{
    public function write(Step $step, Writer $to): void
    {
        $to->element('form', ['id' => $step->key()], fn () => $to->element('block', [], function () use ($step, $to): void {
            $to->prompt($step->prompt());
            $this->does($step, $to);
        }));
    }

    public function refuses(Step $step): ?string
    {
        return null;
    }

    /** What the block does once its words are said. */
    protected function does(Step $step, Writer $to): void
    {
        $to->goto(($step->exits()[0] ?? null)->to ?? $to->script->first);
    }
}
