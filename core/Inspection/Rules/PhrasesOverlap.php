<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Design\ScriptDocument;
use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Fix;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Language\Stemmer;
use Ringo\Script\Steps\Choose\ChooseStep;

/** Finds options of one menu that go by the same words. */
final readonly class PhrasesOverlap implements Rule
{
    public function find(Design $design): iterable
    {
        $stemmer = new Stemmer;
        $same = static function (string $phrase) use ($stemmer): string {
            $stems = $stemmer->stems($phrase);
            sort($stems);

            return implode(' ', $stems);
        };
        foreach ($design->script->steps as $key => $step) {
            if ($step instanceof ChooseStep) {
                yield from $this->among($step->options, $same, $key, 'options');
            }
        }
        foreach ($design->script->sheet->fields as $field) {
            yield from $this->among($field->options, $same, null, "options of {$field->key}");
        }
    }

    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     * @param \Closure(string): string $same
     *
     * @return iterable<Finding>
     */
    private function among(array $options, \Closure $same, ?string $step, string $what): iterable
    {
        $owner = [];
        foreach ($options as $i => $option) {
            foreach (array_unique([$option['label'], ...$option['phrases']]) as $phrase) {
                $stems = $same($phrase);
                if ($stems === '' || str_contains($phrase, '{')) {
                    continue;
                }
                $first = $owner[$stems] ?? null;
                if ($first !== null && $first['key'] !== $option['key']) {
                    $spare = $step !== null && in_array($phrase, $option['phrases'], true);
                    yield new Finding('phrases_overlap', Severity::Warning, $step, "Two {$what} answer to “{$phrase}”: {$first['label']} and {$option['label']}. The caller who says it cannot be understood.", $spare ? $this->fix((string) $step, $i, $phrase, $option['label']) : null);
                }
                $owner[$stems] ??= $option;
            }
        }
    }

    private function fix(string $step, int $option, string $phrase, string $label): Fix
    {
        return new Fix("Take “{$phrase}” away from {$label}", static function (ScriptDocument $document) use ($step, $option, $phrase): ScriptDocument {
            $data = $document->step($step);
            $data['options'][$option]['phrases'] = array_values(array_diff($data['options'][$option]['phrases'], [$phrase]));

            return $document->withStep($step, $data);
        });
    }
}
