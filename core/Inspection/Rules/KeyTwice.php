<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Choose\ChooseStep;

/** Finds telephone keys that stand for two things at once. */
final readonly class KeyTwice implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof ChooseStep) {
                continue;
            }
            $taken = [];
            foreach ($step->options as $i => $option) {
                $digit = (string) $option['digit'];
                if (isset($taken[$digit])) {
                    yield new Finding('key_twice', Severity::Error, $key, "Key {$digit} is on “{$taken[$digit]}” and on “{$option['label']}”; the second can never be pressed.", $this->fix($key, $i, $this->free($design, $step)));
                }
                $taken[$digit] ??= $option['label'];
            }
            if ($step->repeatKey !== null && isset($taken[$step->repeatKey])) {
                yield new Finding('key_twice', Severity::Error, $key, "Key {$step->repeatKey} says the menu again and is on “{$taken[$step->repeatKey]}” as well.");
            }
            $person = $design->script->standing->personKey;
            if ($person !== null && isset($taken[$person])) {
                yield new Finding('key_twice', Severity::Warning, $key, "Key {$person} asks for a person everywhere else, and here it is on “{$taken[$person]}”.");
            }
            if (isset($taken['*'])) {
                yield new Finding('key_twice', Severity::Warning, $key, "The star key goes back everywhere else, and here it is on “{$taken['*']}”.");
            }
        }
    }

    private function free(Design $design, ChooseStep $step): ?string
    {
        $used = [...array_column($step->options, 'digit'), $step->repeatKey, $design->script->standing->personKey];
        foreach (range('1', '9') as $digit) {
            if (! in_array((string) $digit, $used, true)) {
                return (string) $digit;
            }
        }

        return null;
    }

    private function fix(string $key, int $option, ?string $digit): ?Fix
    {
        return $digit === null ? null : new Fix("Put it on key {$digit}", static function (ScriptDocument $document) use ($key, $option, $digit): ScriptDocument {
            $step = $document->step($key);
            $step['options'][$option]['digit'] = $digit;

            return $document->withStep($key, $step);
        });
    }
}
