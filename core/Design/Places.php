<?php

declare(strict_types=1);

namespace Ringo\Design;

/**
 * Finds and rewrites the values at a place of a step's document.
 *
 * A place is a path: `next`, `way_out.step`, `options[].next`, `forget[]`; `set{}` are the names of an object and `set{}.base` what stands
 * under each; a condition (`ways[].when?`) gives the values it looks at.
 */
final readonly class Places
{
    /**
     * @param array<string, mixed> $step
     *
     * @return list<string> the names found there
     */
    public function at(array $step, string $place): array
    {
        $found = [];
        $this->mapped($step, $place, static function (string $name) use (&$found): string {
            $found[] = $name;

            return $name;
        });

        return $found;
    }

    /**
     * @param array<string, mixed> $step
     * @param callable(string): string $map
     *
     * @return array<string, mixed>
     */
    public function mapped(array $step, string $place, callable $map): array
    {
        $parts = explode('.', $place, 2);
        [$head, $rest] = [$parts[0], $parts[1] ?? null];
        $key = rtrim($head, '[]{}?');
        if (! isset($step[$key])) {
            return $step;
        }
        $value = $step[$key];
        $step[$key] = match (true) {
            str_ends_with($head, '?') => is_array($value) ? $this->inCondition($value, $map) : $value,
            str_ends_with($head, '[]') => is_array($value) ? array_map(fn (mixed $one): mixed => $this->under($one, $rest, $map), $value) : $value,
            str_ends_with($head, '{}') => is_array($value) ? $this->inObject($value, $rest, $map) : $value,
            default => $this->under($value, $rest, $map),
        };

        return $step;
    }

    /** @param callable(string): string $map */
    private function under(mixed $value, ?string $rest, callable $map): mixed
    {
        if ($rest !== null) {
            return is_array($value) ? $this->mapped($value, $rest, $map) : $value;
        }

        return is_string($value) ? $map($value) : $value;
    }

    /**
     * @param array<array-key, mixed> $object
     * @param callable(string): string $map
     *
     * @return array<array-key, mixed>
     */
    private function inObject(array $object, ?string $rest, callable $map): array
    {
        if ($rest !== null) {
            return array_map(fn (mixed $one): mixed => $this->under($one, $rest, $map), $object);
        }

        return array_combine(array_map(static fn (int|string $name): string => $map((string) $name), array_keys($object)), array_values($object));
    }

    /**
     * @param array<array-key, mixed> $condition
     * @param callable(string): string $map
     *
     * @return array<array-key, mixed>
     */
    private function inCondition(array $condition, callable $map): array
    {
        foreach (['all', 'any'] as $join) {
            if (is_array($condition[$join] ?? null)) {
                $condition[$join] = array_map(fn (mixed $part): mixed => is_array($part) ? $this->inCondition($part, $map) : $part, $condition[$join]);
            }
        }
        if (is_string($condition['value'] ?? null)) {
            $condition['value'] = $map($condition['value']);
        }

        return $condition;
    }
}
