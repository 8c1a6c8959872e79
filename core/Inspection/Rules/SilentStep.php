<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Placeholders;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds prompts that may leave nothing to say, because every sentence holds a value that may be empty. */
final readonly class SilentStep implements Rule
{
    public function find(Design $design): iterable
    {
        $placeholders = new Placeholders($design);
        foreach ($design->script->steps as $key => $step) {
            $prompt = $step->prompt();
            if ($prompt === null || $prompt->isEmpty() || $step->kind() === 'finish' || ! $design->flow->reached($key)) {
                continue;
            }
            foreach ($prompt->variants as $variant) {
                if ($placeholders->dropped($key, $variant) === 'all') {
                    yield new Finding('silent_step', $step->waits() ? Severity::Error : Severity::Warning, $key, 'This can end in silence: every sentence of the prompt holds a value that may be empty. Give the value other words, as in [value|words], or add a sentence without one.');

                    break;
                }
            }
        }
    }
}
