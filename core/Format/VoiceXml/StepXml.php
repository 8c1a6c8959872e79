<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Step;

/** How one kind of step is written as VoiceXML. */
interface StepXml
{
    public function write(Step $step, Writer $to): void;

    /** Why a step of this kind does not work in a voice browser alone; null where it does. */
    public function refuses(Step $step): ?string;
}
