<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;

/** Finds questions that nothing leads on from. */
final readonly class DeadEnd implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if ($step instanceof ListenStep && $step->exits() === []) {
                yield new Finding('dead_end', Severity::Error, $key, 'Nothing leads on from this open question: give it topics, a way for “nothing more”, or a way out.');
            } elseif (($step instanceof ListenStep || $step instanceof ChooseStep) && $step->wayOut->then === 'leave') {
                yield new Finding('sudden_end', Severity::Warning, $key, "A caller who is not understood {$step->tries} times is cut off here with an apology: say in the way out where the call goes, or with which outcome it ends.");
            }
        }
    }
}
