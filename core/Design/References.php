<?php

declare(strict_types=1);

namespace Ringo\Design;

use Ringo\Script\Steps\StepKinds;

/** Every place of a script document that names a step or a field, so that names can change and all that refer to them follow. */
final readonly class References
{
    /** Where a step's document names its way out. */
    public const WAY_OUT = 'way_out.step';

    private StepKinds $kinds;

    private Places $places;

    public function __construct()
    {
        $this->kinds = new StepKinds;
        $this->places = new Places;
    }

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
        $to = static fn (string $target): string => $target === $old ? $new : $target;
        $data['first'] = is_string($data['first'] ?? null) ? $to($data['first']) : null;
        foreach ($data['steps'] as $i => $step) {
            foreach ($this->kinds->keysOf($step['kind'] ?? null)->steps as $place) {
                $step = $this->places->mapped($step, $place, $to);
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
        if (isset($data['standing']['let_go'])) {
            $data['standing']['let_go'] = $to($data['standing']['let_go']);
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
        $to = static fn (string $path): string => (string) preg_replace('/^((?:declined\.)?)'.preg_quote($old, '/').'(?=\.|$)/', '${1}'.$new, $path);
        foreach ($data['errands'] ?? [] as $n => $one) {
            $data['errands'][$n] = $this->places->mapped($one, 'when?', $to);
        }
        foreach ($data['transfers']['rules'] ?? [] as $n => $rule) {
            $data['transfers']['rules'][$n] = $this->places->mapped($rule, 'when?', $to);
        }
        foreach ($data['steps'] as $i => $step) {
            foreach ($this->kinds->keysOf($step['kind'] ?? null)->fields as $place) {
                $step = $this->places->mapped($step, $place, $to);
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
            $targets = $this->targets($step);
            if (in_array($key, $targets, true)) {
                $from[] = $step['key'];
            }
        }
        if (($data['standing']['person'] ?? null) === $key || ($data['standing']['let_go'] ?? null) === $key || in_array($key, array_column($data['standing']['replies'] ?? [], 'to'), true)) {
            $from[] = 'standing rules';
        }

        return $from;
    }

    private function inTexts(mixed $value, string $old, string $new): mixed
    {
        if (is_array($value)) {
            return array_map(fn (mixed $one): mixed => $this->inTexts($one, $old, $new), $value);
        }

        return is_string($value) ? preg_replace('/\[((?:(?:a|count):)?)'.preg_quote($old, '/').'(?=[\].|])/', '[${1}'.$new, $value) : $value;
    }

    /**
     * @param array<string, mixed> $step
     *
     * @return list<string> the steps a step's document names
     */
    public function targets(array $step): array
    {
        $targets = [];
        foreach ($this->kinds->keysOf($step['kind'] ?? null)->steps as $place) {
            $targets = [...$targets, ...$this->places->at($step, $place)];
        }

        return $targets;
    }

    /**
     * @param array<string, mixed> $step
     * @param callable(string): string $map
     *
     * @return array<string, mixed> the step with its ways on, the way out aside, leading elsewhere
     */
    public function led(array $step, callable $map): array
    {
        foreach ($this->kinds->keysOf($step['kind'] ?? null)->steps as $place) {
            $step = $place === self::WAY_OUT ? $step : $this->places->mapped($step, $place, $map);
        }

        return $step;
    }
}
