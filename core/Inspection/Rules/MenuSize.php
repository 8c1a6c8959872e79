<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Choose\ChooseStep;

/** Finds menus of more options than a listener keeps in mind. */
final readonly class MenuSize implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if ($step instanceof ChooseStep && count($step->options) > 5) {
                yield new Finding('menu_size', Severity::Warning, $key, 'This menu has '.count($step->options).' options; by voice nobody keeps more than five in mind. Split it, or ask openly.');
            }
        }
    }
}
