<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;

/** A form with one field: what is asked, what may be answered, where that leads. */
abstract readonly class FieldXml implements StepXml
{
    public function write(Step $step, Writer $to): void
    {
        $to->element('form', ['id' => $step->key()], fn () => $to->element('field', ['name' => $this->name($step)], function () use ($step, $to): void {
            $to->prompt($step->prompt());
            $this->answers($step, $to);
            $to->element('filled', [], fn () => $this->filled($step, $to));
        }));
    }

    public function refuses(Step $step): ?string
    {
        return null;
    }

    protected function name(Step $step): string
    {
        return $step->asks()[0] ?? 'answer';
    }

    abstract protected function answers(Step $step, Writer $to): void;

    protected function filled(Step $step, Writer $to): void
    {
        $to->goto(($step->exits()[0] ?? null)->to ?? $to->script->first);
    }
}
