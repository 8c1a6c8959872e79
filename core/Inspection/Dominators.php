<?php

declare(strict_types=1);

namespace Ringo\Inspection;

/**
 * Which places of a graph lie on every way to another, found for all at once (K. D. Cooper, T. J. Harvey, K. Kennedy: A Simple, Fast
 * Dominance Algorithm, 2001).
 */
final class Dominators
{
    private const ROOT = -1;

    /** @var array<string, int> places in reverse postorder, from 0 */
    private array $order = [];

    /** @var array<int, int> the nearest place on every way, by place; ROOT where there is none */
    private array $nearest = [];

    /** @var list<string> */
    private array $names;

    /**
     * @param array<string, list<string>> $ways where each place leads
     * @param list<string> $roots where one can come in
     */
    public function __construct(array $ways, array $roots)
    {
        $this->names = $this->ordered($ways, $roots);
        $this->order = array_flip($this->names);
        $from = array_fill(0, count($this->names), []);
        foreach ($this->names as $n => $name) {
            foreach ($ways[$name] ?? [] as $to) {
                if (isset($this->order[$to])) {
                    $from[$this->order[$to]][] = $n;
                }
            }
        }
        foreach ($roots as $root) {
            if (isset($this->order[$root])) {
                $from[$this->order[$root]][] = self::ROOT;
            }
        }
        do {
            $changed = false;
            foreach ($from as $n => $before) {
                $new = null;
                foreach ($before as $one) {
                    if ($one === self::ROOT || isset($this->nearest[$one])) {
                        $new = $new === null ? $one : $this->meet($new, $one);
                    }
                }
                if ($new !== null && ($this->nearest[$n] ?? null) !== $new) {
                    $this->nearest[$n] = $new;
                    $changed = true;
                }
            }
        } while ($changed);
    }

    /**
     * The nearest place passed on every way to one that fits; the walk ends there.
     *
     * @param callable(string): bool $fits
     */
    public function nearest(string $place, callable $fits): ?string
    {
        $at = $this->nearest[$this->order[$place] ?? self::ROOT] ?? self::ROOT;
        while ($at >= 0 && ! $fits($this->names[$at])) {
            $at = $this->nearest[$at] ?? self::ROOT;
        }

        return $this->names[$at] ?? null;
    }

    private function meet(int $a, int $b): int
    {
        while ($a !== $b) {
            if ($a === self::ROOT || $b === self::ROOT) {
                return self::ROOT;
            }
            $a > $b ? $a = $this->nearest[$a] : $b = $this->nearest[$b];
        }

        return $a;
    }

    /**
     * @param array<string, list<string>> $ways
     * @param list<string> $roots
     *
     * @return list<string> reverse postorder of what can be come to
     */
    private function ordered(array $ways, array $roots): array
    {
        $seen = $post = [];
        foreach (array_reverse($roots) as $root) {
            $open = [[$root, 0]];
            while ($open !== []) {
                [$name, $next] = $open[count($open) - 1];
                if ($next === 0) {
                    if (isset($seen[$name]) || ! isset($ways[$name])) {
                        array_pop($open);

                        continue;
                    }
                    $seen[$name] = true;
                }
                if (isset($ways[$name][$next])) {
                    $open[count($open) - 1][1]++;
                    isset($seen[$ways[$name][$next]]) || $open[] = [$ways[$name][$next], 0];
                } else {
                    $post[] = (string) $name;
                    array_pop($open);
                }
            }
        }

        return array_reverse($post);
    }
}
