<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Ask\AskStep;

/** Finds prompts that ask two things at once. */
final readonly class DoubleQuestion implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof AskStep) {
                continue;
            }
            foreach ($step->prompt->variants as $variant) {
                $line = new Line($key, 'prompt', $variant);
                $questions = array_filter($line->sentences(), static fn (string $sentence): bool => str_ends_with(trim($sentence), '?'));
                $asks = array_filter($questions, static fn (string $question): bool => preg_match('/^(?:is that (?:all right|alright|right|ok|okay|fine|correct)|all right|okay|right|yes|ready|for (?:example|instance)|or .*)[ ,?]/iu', trim($question)) !== 1);
                if (count($asks) > 1) {
                    yield new Finding('double_question', Severity::Warning, $key, 'This asks '.count($asks).' questions at once, and callers answer only the last. Give each a step of its own.');

                    break;
                }
                if (preg_match('/\b(?:your|the) (?:full )?(?:name|address|date|e-?mail|number)(?: address)? and (?:your |the |a )?(?:best |contact |phone |telephone |mobile )*(?:name|address|number|time|e-?mail|postcode|date|reference)\b/iu', $line->bare()) === 1) {
                    yield new Finding('double_question', Severity::Warning, $key, 'This asks for two things at once. What the caller gives is taken, but many give only one: a step each is surer.');

                    break;
                }
            }
        }
    }
}
