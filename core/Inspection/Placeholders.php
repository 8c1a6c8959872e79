<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Errand\Sought;
use Ringo\Script\Paths;
use Ringo\Speech\Prompt;

/** Which values prompts may name, and which of them may be empty at a step. */
final readonly class Placeholders
{
    public function __construct(private Design $design)
    {
    }

    /** @return list<array{path: string, fallback: ?string}> */
    public static function in(string $text): array
    {
        return Prompt::of($text)->placeholders();
    }

    public function exists(string $path): bool
    {
        $parts = explode('.', $path, 2);
        $field = $this->design->script->sheet->field($parts[0]);
        if ($field !== null) {
            return ! isset($parts[1]) || $parts[1] === 'label' || array_filter($field->facts, static fn (array $facts): bool => isset($facts[$parts[1]])) !== [];
        }

        return isset(Paths::ALWAYS[$path])
            || $parts[0] === 'caller' && isset($parts[1])
            || $this->design->errandGives($path)
            || $parts[0] === 'fact' && isset($this->design->script->facts[$parts[1] ?? '']);
    }

    /** Whether a value may be empty when a call speaks at the step. */
    public function mayBeEmpty(string $step, string $path): bool
    {
        if (isset(Paths::ALWAYS[$path]) || str_starts_with($path, 'fact.')) {
            return false;
        }
        $parts = explode('.', $path, 2);
        $field = $this->design->script->sheet->field($parts[0]);
        if ($field === null) {
            return ! $this->design->flow->certain($step, $this->design->errandGives($path) ? $parts[0] : $path);
        }
        if (isset($parts[1]) && $parts[1] !== 'label') {
            foreach ($field->options as $option) {
                if (! isset($field->facts[$option['key']][$parts[1]])) {
                    return true;
                }
            }
        }

        return ! $this->design->flow->certain($step, $parts[0]);
    }

    /** @return list<string> placeholders of a text that may be empty at the step and have no words instead */
    public function empty(string $step, string $text): array
    {
        $empty = [];
        foreach (self::in($text) as ['path' => $path, 'fallback' => $fallback]) {
            if ($fallback === null && $this->exists($path) && $this->mayBeEmpty($step, $path)) {
                $empty[] = $path;
            }
        }

        return array_values(array_unique($empty));
    }

    /** How much of a text may be left out at the step: none, some, its question, or all. */
    public function dropped(string $step, string $text): string
    {
        $sentences = (new Line($step, '', $text))->sentences();
        $lost = array_filter($sentences, fn (string $sentence): bool => $this->empty($step, $sentence) !== []);

        return match (true) {
            $lost === [] => 'none',
            count($lost) === count($sentences) => 'all',
            array_filter($lost, static fn (string $sentence): bool => str_ends_with(trim($sentence), '?')) !== [] => 'question',
            default => 'some',
        };
    }

    /** @return list<array{path: string, label: string, empty: bool}> what can be put into a prompt at the step */
    public function offered(string $step): array
    {
        $offered = [];
        foreach ($this->design->script->sheet->fields as $field) {
            $offered[] = ['path' => $field->key, 'label' => $field->title, 'empty' => $this->mayBeEmpty($step, $field->key)];
            foreach (array_keys(array_merge(...array_values($field->facts), ...[[]])) as $fact) {
                $offered[] = ['path' => "{$field->key}.{$fact}", 'label' => $field->title.': '.str_replace('_', ' ', (string) $fact), 'empty' => $this->mayBeEmpty($step, "{$field->key}.{$fact}")];
            }
        }
        foreach ($this->design->errands() as $key => $errand) {
            foreach ($errand->values ?? [] as $value) {
                $offered[] = ['path' => "{$key}.{$value->key}", 'label' => ($errand->label ?? $key).': '.$value->label, 'empty' => $this->mayBeEmpty($step, "{$key}.{$value->key}")];
            }
        }
        foreach (Paths::CALLER as $path => $label) {
            $offered[] = ['path' => $path, 'label' => $label, 'empty' => $this->mayBeEmpty($step, $path)];
        }
        foreach (array_keys($this->design->script->facts) as $fact) {
            $offered[] = ['path' => 'fact.'.$fact, 'label' => 'fact: '.str_replace('_', ' ', (string) $fact), 'empty' => false];
        }
        foreach (array_filter(Paths::ALWAYS, static fn (string $path): bool => ! str_contains($path, '.'), ARRAY_FILTER_USE_KEY) as $path => $label) {
            $offered[] = ['path' => $path, 'label' => $label, 'empty' => false];
        }

        return $offered;
    }

    /** @return list<string> */
    private function found(): array
    {
        $paths = [];
        foreach ($this->design->errands() as $key => $errand) {
            array_push($paths, ...array_map(static fn (Sought $value): string => "{$key}.{$value->key}", $errand->values ?? []));
        }

        return $paths;
    }

    public function nearest(string $path): ?string
    {
        $known = [...array_keys($this->design->script->sheet->fields), ...array_keys(Paths::ALWAYS), ...array_keys(Paths::CALLER), ...$this->found(), ...array_map(static fn (string $fact): string => 'fact.'.$fact, array_map(strval(...), array_keys($this->design->script->facts)))];
        $best = null;
        $least = 3;
        foreach ($known as $one) {
            $distance = levenshtein(substr($path, 0, 60), substr((string) $one, 0, 60));
            if ($distance < $least) {
                [$best, $least] = [(string) $one, $distance];
            }
        }

        return $best;
    }
}
