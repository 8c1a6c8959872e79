<?php

declare(strict_types=1);

namespace Ringo\Design;

/** Every place of a script document that names a step or a field, so that names can change and all that refer to them follow. */
final readonly class References
{
    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public function renamed(array $data, string $old, string $new): array
    {
        $data = $this->redirected($data, $old, $new);
        $data['steps'] = array_map(static fn (array $step): array => $step['key'] === $old ? [...$step, 'key' => $new] : $step, $data['steps']);

        return $data;
    }

    /**
     * Everything that led to one step leads to another.
     *
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public function redirected(array $data, string $old, string $new): array
    {
        $to = static fn (mixed $target): mixed => $target === $old ? $new : $target;
        $data['first'] = $to($data['first'] ?? null);
        foreach ($data['steps'] as $i => $step) {
            foreach (['next', 'nothing', 'otherwise', 'failed', 'locked', 'promised'] as $way) {
                if (isset($step[$way])) {
                    $step[$way] = $to($step[$way]);
                }
            }
            if (isset($step['way_out']['step'])) {
                $step['way_out']['step'] = $to($step['way_out']['step']);
            }
            foreach (['options', 'topics', 'ways'] as $list) {
                foreach ($step[$list] ?? [] as $n => $one) {
                    $step[$list][$n]['next'] = $to($one['next'] ?? null);
                }
            }
            $data['steps'][$i] = $step;
        }
        if (isset($data['standing']['person'])) {
            $data['standing']['person'] = $to($data['standing']['person']);
        }
        foreach ($data['transfers']['rules'] ?? [] as $n => $rule) {
            $swap = static fn (string $target): string => $target === 'step:'.$old ? 'step:'.$new : $target;
            $data['transfers']['rules'][$n]['to'] = $swap($rule['to']);
            if (isset($rule['otherwise'])) {
                $data['transfers']['rules'][$n]['otherwise'] = array_map($swap, $rule['otherwise']);
            }
        }
        if (isset($data['transfers']['default']) && $data['transfers']['default'] === 'step:'.$old) {
            $data['transfers']['default'] = 'step:'.$new;
        }
        foreach ($data['standing']['replies'] ?? [] as $n => $reply) {
            if (isset($reply['to'])) {
                $data['standing']['replies'][$n]['to'] = $to($reply['to']);
            }
        }

        return $data;
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public function fieldRenamed(array $data, string $old, string $new): array
    {
        $sheet = $data['sheet'] ?? [];
        $properties = [];
        foreach ($sheet['properties'] ?? [] as $key => $property) {
            $properties[$key === $old ? $new : $key] = $property;
        }
        $sheet['properties'] = $properties;
        if (isset($sheet['required'])) {
            $sheet['required'] = array_map(static fn (mixed $key): mixed => $key === $old ? $new : $key, $sheet['required']);
        }
        $data['sheet'] = $sheet;
        foreach (['agent', 'standing', 'steps'] as $part) {
            if (isset($data[$part])) {
                $data[$part] = $this->inTexts($data[$part], $old, $new);
            }
        }
        foreach ($data['standing']['replies'] ?? [] as $n => $reply) {
            if (($reply['about'] ?? null) === $old) {
                $data['standing']['replies'][$n]['about'] = $new;
            }
        }
        foreach ($data['steps'] as $i => $step) {
            foreach (['field', 'to'] as $key) {
                if (($step[$key] ?? null) === $old) {
                    $step[$key] = $new;
                }
            }
            if (isset($step['set'][$old])) {
                $step['set'] = array_combine(array_map(static fn (int|string $key): string => $key === $old ? $new : (string) $key, array_keys($step['set'])), array_values($step['set']));
            }
            if (isset($step['forget'])) {
                $step['forget'] = array_map(static fn (mixed $key): mixed => $key === $old ? $new : $key, $step['forget']);
            }
            foreach ($step['ways'] ?? [] as $n => $way) {
                $step['ways'][$n]['when'] = $this->inCondition($way['when'], $old, $new);
            }
            $data['steps'][$i] = $step;
        }

        return $data;
    }

    /**
     * The ways on that lead to a step, in words.
     *
     * @param array<string, mixed> $data
     *
     * @return list<string> names of steps; `standing rules` where those do
     */
    public function to(array $data, string $key): array
    {
        $from = [];
        foreach ($data['steps'] as $step) {
            $targets = [$step['next'] ?? null, $step['nothing'] ?? null, $step['otherwise'] ?? null, $step['failed'] ?? null, $step['locked'] ?? null, $step['way_out']['step'] ?? null];
            foreach (['options', 'topics', 'ways'] as $list) {
                array_push($targets, ...array_column($step[$list] ?? [], 'next'));
            }
            if (in_array($key, $targets, true)) {
                $from[] = $step['key'];
            }
        }
        if (($data['standing']['person'] ?? null) === $key || in_array($key, array_column($data['standing']['replies'] ?? [], 'to'), true)) {
            $from[] = 'standing rules';
        }

        return $from;
    }

    private function inTexts(mixed $value, string $old, string $new): mixed
    {
        if (is_array($value)) {
            return array_map(fn (mixed $one): mixed => $this->inTexts($one, $old, $new), $value);
        }

        return is_string($value) ? preg_replace('/\['.preg_quote($old, '/').'(?=[\].|])/', '['.$new, $value) : $value;
    }

    /**
     * @param array<string, mixed> $condition
     *
     * @return array<string, mixed>
     */
    private function inCondition(array $condition, string $old, string $new): array
    {
        foreach (['all', 'any'] as $join) {
            if (isset($condition[$join])) {
                $condition[$join] = array_map(fn (array $part): array => $this->inCondition($part, $old, $new), $condition[$join]);
            }
        }
        if (($condition['value'] ?? null) === $old || ($condition['value'] ?? null) === 'declined.'.$old) {
            $condition['value'] = str_replace($old, $new, $condition['value']);
        }

        return $condition;
    }
}
