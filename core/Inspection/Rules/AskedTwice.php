<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Note\NoteStep;

/** Finds questions that are always passed by, because every way to them has asked the same already. */
final readonly class AskedTwice implements Rule
{
    public function find(Design $design): iterable
    {
        $asks = array_filter($design->script->steps, static fn ($step): bool => $step instanceof AskStep);
        $fields = array_count_values(array_map(static fn (AskStep $step): string => $step->field, $asks));
        $forgotten = array_merge(...array_map(static fn (NoteStep $step): array => $step->forget, array_values(array_filter($design->script->steps, static fn ($step): bool => $step instanceof NoteStep))));
        foreach ($asks as $key => $step) {
            if ($fields[$step->field] < 2 || in_array($step->field, $forgotten, true) || ! $design->flow->reached($key)) {
                continue;
            }
            $other = $design->flow->onEveryWay($key, static fn (string $one): bool => isset($asks[$one]) && $asks[$one]->field === $step->field);
            if ($other !== null) {
                yield new Finding('asked_twice', Severity::Warning, $key, "Every call has been asked for {$step->field} at “{$other}” before it comes here, so this question is always passed by.", new Fix('Take this question out', static fn (ScriptDocument $document): ScriptDocument => $document->without($key)));
            }
        }
    }
}
