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

/** Finds placeholders that name nothing there is. */
final readonly class UnknownPlaceholder implements Rule
{
    public function find(Design $design): iterable
    {
        $placeholders = new Placeholders($design);
        foreach ($design->lines() as $line) {
            foreach (Placeholders::in($line->text) as ['path' => $path]) {
                if ($placeholders->exists($path)) {
                    continue;
                }
                $near = $placeholders->nearest($path);
                yield new Finding('unknown_placeholder', Severity::Error, $line->step, "[{$path}] names no field, fact or caller’s fact".($near === null ? '.' : "; did you mean [{$near}]?"), $near === null ? null : $this->fix($path, $near));
            }
        }
    }

    private function fix(string $path, string $near): Fix
    {
        return new Fix("Write [{$near}]", static function (ScriptDocument $document) use ($path, $near): ScriptDocument {
            $mend = static function (mixed $value) use (&$mend, $path, $near): mixed {
                if (is_array($value)) {
                    return array_map($mend, $value);
                }

                return is_string($value) ? preg_replace('/\['.preg_quote($path, '/').'(?=[\]|])/', '['.$near, $value) : $value;
            };
            /** @var array<string, mixed> $data */
            $data = [...$document->toArray(), ...array_map($mend, array_intersect_key($document->toArray(), ['agent' => 1, 'standing' => 1, 'steps' => 1]))];

            return ScriptDocument::fromArray($data);
        });
    }
}
