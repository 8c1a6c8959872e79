<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Way;

/**
 * What can be told of a script without running it: which steps can be reached, which can end, and which values are there at a step.
 *
 * Values are worked out as a forward data-flow analysis over the ways on (F. Nielson et al., Principles of Program Analysis, 1999, chapter 2):
 * *certain* meets by intersection, *possible* by union.
 */
final class Flow
{
    /** @var array<string, list<array{to: string, sets: list<string>, clears: list<string>}>> */
    private array $ways = [];

    /** @var array<string, true> */
    private array $reached = [];

    /** @var array<string, true> */
    private array $ends = [];

    /** @var array<string, array<string, true>> */
    private array $certain = [];

    /** @var array<string, array<string, true>> */
    private array $possible = [];

    /** @var array<string, list<string>>|null the steps that lead straight to each */
    private ?array $from = null;

    private ?Dominators $dominators = null;

    /** @var list<string> */
    private array $roots;

    /** @var array<string, true> */
    private array $detours = [];

    public function __construct(private readonly Script $script)
    {
        foreach ($script->steps as $key => $step) {
            $this->ways[$key] = $this->waysOf($step);
        }
        $this->roots = [$script->first];
        foreach ($this->detourTargets() as $target) {
            $this->roots[] = $target;
            $this->detours[$target] = true;
        }
        $this->reached = $this->closure($this->roots);
        $this->endings();
        $this->values();
    }

    public function reached(string $step): bool
    {
        return isset($this->reached[$step]);
    }

    /** Whether some way from the step comes to an end of the call. */
    public function ends(string $step): bool
    {
        return isset($this->ends[$step]);
    }

    /** Whether a value is there whenever a call comes to the step. */
    public function certain(string $step, string $value): bool
    {
        return isset($this->certain[$step][$value]);
    }

    /** Whether some way to the step sets the value. */
    public function possible(string $step, string $value): bool
    {
        return isset($this->possible[$step][$value]);
    }

    /** @return array<string, true> the steps that can be come to from one, itself only where it lies on a circle */
    public function after(string $step): array
    {
        return $this->closure(array_column($this->ways[$step] ?? [], 'to'));
    }

    /** @return list<string> the steps that lead straight to one */
    public function before(string $step): array
    {
        if ($this->from === null) {
            $this->from = [];
            foreach ($this->ways as $key => $ways) {
                foreach (array_unique(array_column($ways, 'to')) as $to) {
                    $this->from[$to][] = (string) $key;
                }
            }
        }

        return $this->from[$step] ?? [];
    }

    /** Whether standing rules or topics that are reachable from anywhere lead to the step. */
    public function detour(string $step): bool
    {
        return isset($this->detours[$step]);
    }

    /** @return list<string> the steps at which somebody can come in: the first, and those reachable from anywhere */
    public function roots(): array
    {
        return array_values(array_unique($this->roots));
    }

    /**
     * The nearest step that fits among those passed on every way from the beginning to a step.
     *
     * @param callable(string): bool $fits
     */
    public function onEveryWay(string $to, callable $fits): ?string
    {
        $this->dominators ??= new Dominators(array_map(static fn (array $ways): array => array_column($ways, 'to'), $this->ways), $this->roots());

        return $this->dominators->nearest($to, $fits);
    }

    /** @return list<array{to: string, sets: list<string>, clears: list<string>}> */
    private function waysOf(Step $step): array
    {
        $ways = [];
        foreach ($step->exits() as $exit) {
            foreach ($this->targets($exit->to) as $target) {
                $ways[] = ['to' => $target, 'sets' => $exit->sets, 'clears' => $exit->clears];
            }
        }

        return $ways;
    }

    /** @return list<string> where `return` may lead: back to the open question the call stands at */
    private function targets(string $to): array
    {
        if ($to !== Way::BACK) {
            return [$to];
        }
        foreach ($this->script->steps as $key => $step) {
            if ($step instanceof ListenStep) {
                return [$key];
            }
        }

        return [$this->script->first];
    }

    /** @return list<string> */
    private function detourTargets(): array
    {
        $targets = [$this->script->standing->person, $this->script->standing->letGo, ...array_column($this->script->standing->replies, 'to'), ...$this->script->transfers->steps()];
        foreach ($this->script->steps as $step) {
            if ($step instanceof ListenStep) {
                foreach ($step->topics as $topic) {
                    if ($topic['anywhere']) {
                        $targets[] = $topic['next'];
                    }
                }
            }
        }

        return array_values(array_unique(array_filter($targets, fn (?string $target): bool => $target !== null && isset($this->script->steps[$target]))));
    }

    /**
     * @param list<string> $from
     *
     * @return array<string, true>
     */
    private function closure(array $from): array
    {
        $seen = [];
        $open = $from;
        while (($key = array_pop($open)) !== null) {
            if (isset($seen[$key]) || ! isset($this->ways[$key])) {
                continue;
            }
            $seen[$key] = true;
            foreach ($this->ways[$key] as $way) {
                $open[] = $way['to'];
            }
        }

        return $seen;
    }

    private function endings(): void
    {
        foreach ($this->script->steps as $key => $step) {
            if ($step->ends()) {
                $this->ends[$key] = true;
            }
        }
        // Back from the ends: each step is looked at once.
        for ($open = array_map(strval(...), array_keys($this->ends)); $open !== [];) {
            foreach ($this->before(array_pop($open)) as $before) {
                if (! isset($this->ends[$before])) {
                    $this->ends[$before] = true;
                    $open[] = $before;
                }
            }
        }
    }

    private function values(): void
    {
        foreach ($this->roots() as $root) {
            $this->certain[$root] = [];
            $this->possible[$root] = [];
        }
        foreach ($this->script->sheet->fields as $field) {
            if ($field->fromCaller !== null) {
                foreach ($this->roots() as $root) {
                    $this->possible[$root][$field->key] = true;
                }
            }
        }
        // A detour begins wherever the call stands: all that any question collects may be there.
        foreach (array_keys($this->detours) as $target) {
            foreach ($this->script->steps as $step) {
                foreach ($step->sets() as $field) {
                    $this->possible[$target][$field] = true;
                }
            }
        }
        $open = $this->roots();
        while (($key = array_shift($open)) !== null) {
            $step = $this->script->steps[$key] ?? null;
            if ($step === null) {
                continue;
            }
            foreach ($this->ways[$key] as $way) {
                $to = $way['to'];
                $certain = array_diff_key($this->certain[$key] + array_fill_keys($way['sets'], true), array_fill_keys($way['clears'], true));
                $possible = array_diff_key($this->possible[$key] + array_fill_keys([...$way['sets'], ...$step->sets()], true), array_fill_keys($way['clears'], true));
                $meet = isset($this->certain[$to]) ? array_intersect_key($this->certain[$to], $certain) : $certain;
                $join = ($this->possible[$to] ?? []) + $possible;
                if (! isset($this->certain[$to]) || count($meet) < count($this->certain[$to]) || count($join) > count($this->possible[$to] ?? [])) {
                    $this->certain[$to] = $meet;
                    $this->possible[$to] = $join;
                    if (! in_array($to, $open, true)) {
                        $open[] = $to;
                    }
                }
            }
        }
    }
}
