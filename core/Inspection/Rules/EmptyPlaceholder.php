<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Placeholders;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;

/** Finds placeholders of values that may be empty, with no words to use instead. */
final readonly class EmptyPlaceholder implements Rule
{
    public function find(Design $design): iterable
    {
        $placeholders = new Placeholders($design);
        foreach ($design->script->steps as $key => $step) {
            if ($step->prompt() === null || ! $design->flow->reached($key)) {
                continue;
            }
            $told = [];
            foreach ($step->prompt()->variants as $variant) {
                $kind = $placeholders->dropped($key, $variant);
                if ($kind === 'none' || $kind === 'all') {
                    continue;
                }
                foreach ($placeholders->empty($key, $variant) as $path) {
                    if (isset($told[$path])) {
                        continue;
                    }
                    $told[$path] = true;
                    yield new Finding(
                        'empty_placeholder',
                        $kind === 'question' ? Severity::Warning : Severity::Note,
                        $key,
                        "[{$path}] may be empty here, and its whole sentence is then left out. Write words to use instead: [{$path}|…].",
                        $this->fix($key, $path),
                    );
                }
            }
        }
    }

    private function fix(string $key, string $path): ?Fix
    {
        $words = ['caller.first_name' => 'there', 'caller.name' => 'there', 'caller.organisation' => 'your firm'][$path] ?? null;
        if ($words === null) {
            return null;
        }

        return new Fix("Say “{$words}” when it is empty", static function (ScriptDocument $document) use ($key, $path, $words): ScriptDocument {
            $step = $document->step($key);
            $mend = static fn (string $text): string => str_replace("[{$path}]", "[{$path}|{$words}]", $text);
            $step['prompt'] = is_array($step['prompt']) ? array_map($mend, $step['prompt']) : $mend($step['prompt']);

            return $document->withStep($key, $step);
        });
    }
}
