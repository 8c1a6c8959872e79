<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Line;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Value\ValueType;

/** Finds yes or no questions whose answer is kept as free text. */
final readonly class YesNoAsText implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof AskStep || $design->script->sheet->field($step->field)?->type !== ValueType::Text) {
                continue;
            }
            foreach ($step->prompt->variants as $variant) {
                $sentences = (new Line($key, '', $variant))->sentences();
                $last = mb_strtolower(trim((new Line($key, '', (string) end($sentences)))->bare()));
                $last = (string) preg_replace('/^(?:and|so|then|okay|right|thanks|thank you)[, ]+/u', '', $last);
                if (str_ends_with($last, '?') && preg_match('/^(?:do|does|did|is|are|was|were|has|have|had|will|would|shall|should|may) /u', $last) === 1 && preg_match('/ or /u', $last) !== 1 && preg_match('/\b(?:tell|say|describe|explain|give|what|how|why|which|anything|something|any)\b/u', $last) !== 1) {
                    yield new Finding('yes_no_text', Severity::Warning, $key, "This is a yes or no question, and {$step->field} keeps free text: the record would hold “yes please”. Make it a yes or no field, or ask openly.");

                    break;
                }
            }
        }
    }
}
