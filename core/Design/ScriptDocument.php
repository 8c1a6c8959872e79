<?php

declare(strict_types=1);

namespace Ringo\Design;

use Ringo\Document\InvalidDocument;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\StepKinds;
use Ringo\Script\Steps\Way;

/**
 * A script as the document it is written in, with the changes a specialist makes to it.
 *
 * Every change gives a new document that has been read whole: a change that would leave a script that cannot be used is refused
 * with the places of what is wrong. Keys stand in one fixed order, so that two versions compare well as text.
 */
final readonly class ScriptDocument
{
    private const ORDER = ['$schema', 'format', 'agent', 'limits', 'facts', 'hours', 'standing', 'recognition', 'transfers', 'errands', 'sheet', 'first', 'steps'];

    /** What every step begins with, whatever its kind. */
    private const STEP_HEAD = ['key', 'kind', 'scene'];

    /** @param array<string, mixed> $data */
    private function __construct(private array $data, public Script $script)
    {
    }

    /** @throws InvalidDocument */
    public static function fromJson(string $json): self
    {
        $script = (new ScriptReader)->fromJson($json);
        /** @var array<string, mixed> $data */
        $data = json_decode($json, true, 64, JSON_THROW_ON_ERROR);

        return new self(self::ordered($data), $script);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @throws InvalidDocument
     */
    public static function fromArray(array $data): self
    {
        return new self(self::ordered($data), (new ScriptReader)->fromArray($data));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->data;
    }

    public function toJson(): string
    {
        $data = $this->data;
        foreach ([['facts'], ['hours'], ['standing'], ['sheet', 'properties']] as $path) {
            $part = &$data;
            foreach ($path as $key) {
                if (! is_array($part) || ! array_key_exists($key, $part)) {
                    continue 2;
                }
                $part = &$part[$key];
            }
            if ($part === []) {
                $part = new \stdClass;
            }
            unset($part);
        }
        $json = json_encode($data, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);

        return preg_replace_callback('/^(?: {4})+/m', static fn (array $m): string => str_repeat('  ', intdiv(strlen($m[0]), 4)), $json)."\n";
    }

    public function has(string $key): bool
    {
        return $this->place($key) !== null;
    }

    /** @return array<string, mixed> a step as it is written; empty where there is none */
    public function step(string $key): array
    {
        $place = $this->place($key);

        return $place === null ? [] : $this->steps()[$place];
    }

    /**
     * A step written anew. Where its name changes, every reference follows.
     *
     * @param array<string, mixed> $step
     *
     * @throws InvalidDocument
     */
    public function withStep(string $key, array $step): self
    {
        $place = $this->mustPlace($key);
        $new = is_string($step['key'] ?? null) ? $step['key'] : $key;
        if ($new !== $key && $this->has($new)) {
            throw new InvalidDocument([['path' => 'key', 'message' => "there is another step “{$new}”"]]);
        }
        $steps = $this->steps();
        $steps[$place] = [...$step, 'key' => $key];
        $data = [...$this->data, 'steps' => $steps];
        if ($new !== $key) {
            $data = (new References)->renamed($data, $key, $new);
        }

        return self::fromArray($data);
    }

    /**
     * A new step behind another, or at the beginning. It takes over the way on from the step before it.
     *
     * @return array{self, string} the document and the new step's name
     *
     * @throws InvalidDocument
     */
    public function inserted(?string $after, string $kind, ?string $name = null): array
    {
        $steps = $this->steps();
        $place = $after === null ? -1 : $this->mustPlace($after);
        $key = $this->freeName($name ?? $kind);
        $before = $place >= 0 ? $steps[$place] : null;
        $following = $steps[$place + 1]['key'] ?? $steps[max(0, $place)]['key'] ?? 'return';
        $only = $before === null ? null : $this->onlyWay($before);
        $next = $only ?? ($after === null ? (string) $this->data['first'] : $following);
        $data = $this->data;
        $blank = (new StepKinds)->kind($kind)?->blank($next, new Blank(['key' => $key, 'kind' => $kind], $data)) ?? throw new InvalidDocument([['path' => 'kind', 'message' => "there is no kind of step “{$kind}”"]]);
        [$step, $data] = [$blank->step, $blank->document];
        if ($before !== null && $only !== null) {
            $steps[$place] = $this->led($before, $key);
        }
        array_splice($steps, $place + 1, 0, [$step]);
        $data['steps'] = $steps;
        if ($after === null) {
            $data['first'] = $key;
        }

        return [self::fromArray($data), $key];
    }

    /**
     * A step moved to before another, or to the end. Only the order of reading changes, no way on.
     *
     * @throws InvalidDocument
     */
    public function moved(string $key, ?string $before): self
    {
        $steps = $this->steps();
        [$step] = array_splice($steps, $this->mustPlace($key), 1);
        if ($before === $key) {
            return $this;
        }
        $to = count($steps);
        foreach ($steps as $i => $one) {
            if ($one['key'] === $before) {
                $to = $i;
            }
        }
        array_splice($steps, $to, 0, [$step]);

        return self::fromArray([...$this->data, 'steps' => $steps]);
    }

    /**
     * A copy of a step right behind it. Nothing leads to the copy yet.
     *
     * @return array{self, string}
     *
     * @throws InvalidDocument
     */
    public function duplicated(string $key): array
    {
        $steps = $this->steps();
        $place = $this->mustPlace($key);
        $name = $this->freeName($key.'_copy');
        $copy = [...$steps[$place], 'key' => $name];
        unset($copy['scene']);
        array_splice($steps, $place + 1, 0, [$copy]);

        return [self::fromArray([...$this->data, 'steps' => $steps]), $name];
    }

    /**
     * The document without a step; whatever led to it leads to where it went.
     *
     * @throws InvalidDocument where it is the only step
     */
    public function without(string $key): self
    {
        $steps = $this->steps();
        $place = $this->mustPlace($key);
        if (count($steps) === 1) {
            throw new InvalidDocument([['path' => '', 'message' => 'a script needs at least one step, and this is the only one']]);
        }
        $to = $this->wayOn($key);
        $scene = $steps[$place]['scene'] ?? null;
        array_splice($steps, $place, 1);
        if (is_string($scene) && isset($steps[$place]) && ! isset($steps[$place]['scene'])) {
            $steps[$place]['scene'] = $scene;
        }

        return self::fromArray((new References)->redirected([...$this->data, 'steps' => $steps], $key, $to));
    }

    /** Where whatever led to a step leads when it is gone. */
    public function wayOn(string $key): string
    {
        $step = $this->script->step($key);
        foreach ($step->exits() as $exit) {
            if ($exit->to !== $key && $exit->to !== Way::BACK) {
                return $exit->to;
            }
        }
        $others = array_values(array_filter($this->script->steps, static fn ($one): bool => $one->key() !== $key));
        foreach ($others as $one) {
            if ($one->kind() === $step->kind()) {
                return $one->key();
            }
        }
        $place = (int) $this->place($key);

        return $this->steps()[$place + 1]['key'] ?? $this->steps()[$place - 1]['key'];
    }

    /**
     * A top-level part written anew: agent, standing, limits, hours, facts, sheet, first.
     *
     * @throws InvalidDocument
     */
    public function with(string $part, mixed $value): self
    {
        return self::fromArray([...$this->data, $part => $value]);
    }

    /**
     * A field of the record sheet under another name; prompts, questions and conditions follow.
     *
     * @throws InvalidDocument
     */
    public function withFieldRenamed(string $old, string $new): self
    {
        if ($this->script->sheet->field($new) !== null) {
            throw new InvalidDocument([['path' => 'sheet.properties.'.$new, 'message' => "there is another field “{$new}”"]]);
        }

        return self::fromArray((new References)->fieldRenamed($this->data, $old, $new));
    }

    /** @return list<array<string, mixed>> */
    public function steps(): array
    {
        /** @var list<array<string, mixed>> $steps */
        $steps = $this->data['steps'];

        return $steps;
    }

    public function freeName(string $wanted): string
    {
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '_', mb_strtolower($wanted)), '_');
        $base = $base === '' || ctype_digit($base[0]) ? 'step_'.$base : $base;
        $base = rtrim(substr($base, 0, 50), '_');
        $name = $base;
        for ($n = 2; $this->has($name); $n++) {
            $name = $base.'_'.$n;
        }

        return $name;
    }

    /**
     * Where a step leads if all its ways, the way out aside, lead to one place.
     *
     * @param array<string, mixed> $step
     */
    private function onlyWay(array $step): ?string
    {
        $ways = array_values(array_unique((new References)->targets(array_diff_key($step, ['way_out' => 1, 'locked' => 1, 'promised' => 1, 'nothing' => 1]))));

        return count($ways) === 1 ? $ways[0] : (is_string($step['next'] ?? null) ? $step['next'] : null);
    }

    /**
     * The step with those ways leading elsewhere.
     *
     * @param array<string, mixed> $step
     *
     * @return array<string, mixed>
     */
    private function led(array $step, string $to): array
    {
        if (isset($step['next'])) {
            return [...$step, 'next' => $to];
        }

        return (new References)->led($step, static fn (string $target): string => $to);
    }

    private function place(string $key): ?int
    {
        foreach ($this->steps() as $i => $step) {
            if ($step['key'] === $key) {
                return $i;
            }
        }

        return null;
    }

    private function mustPlace(string $key): int
    {
        return $this->place($key) ?? throw new InvalidDocument([['path' => '', 'message' => "there is no step “{$key}” any more"]]);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    private static function ordered(array $data): array
    {
        $data = self::inOrder(['format' => Script::FORMAT] + $data, self::ORDER);
        $kinds = new StepKinds;
        if (is_array($data['steps'] ?? null)) {
            $data['steps'] = array_map(static fn (mixed $step): mixed => is_array($step) ? self::inOrder($step, [...self::STEP_HEAD, ...$kinds->keysOf($step['kind'] ?? null)->order()]) : $step, $data['steps']);
        }

        return $data;
    }

    /**
     * @param array<array-key, mixed> $data
     * @param list<string> $order
     *
     * @return array<string, mixed>
     */
    private static function inOrder(array $data, array $order): array
    {
        $sorted = [];
        foreach ($order as $key) {
            if (array_key_exists($key, $data)) {
                $sorted[$key] = $data[$key];
            }
        }
        foreach ($data as $key => $value) {
            $sorted[(string) $key] ??= $value;
        }

        return $sorted;
    }
}
