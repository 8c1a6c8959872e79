<?php

declare(strict_types=1);

namespace Ringo\Figures;

/** How calls went through a script: how many came to each step, went each way, and ended where. */
final class Traffic
{
    private int $calls = 0;

    /** @var array<string, int> calls that came to a step */
    private array $steps = [];

    /** @var array<string, int> calls that went a way, by `from>to` */
    private array $ways = [];

    /** @var array<string, int> calls that ended at a step */
    private array $left = [];

    /** @param list<string> $path the steps a call went through, in order; a call that came to none counts as a call */
    public function add(array $path): void
    {
        $this->calls++;
        $ways = [];
        foreach ($path as $i => $key) {
            if ($i > 0) {
                $ways[$path[$i - 1].'>'.$key] = true;
            }
        }
        foreach (array_unique($path) as $key) {
            $this->steps[$key] = ($this->steps[$key] ?? 0) + 1;
        }
        foreach (array_keys($ways) as $way) {
            $this->ways[$way] = ($this->ways[$way] ?? 0) + 1;
        }
        if ($path !== []) {
            $end = $path[count($path) - 1];
            $this->left[$end] = ($this->left[$end] ?? 0) + 1;
        }
    }

    /** @return array{calls: int, steps: array<string, int>, ways: array<string, int>, left: array<string, int>} */
    public function toArray(): array
    {
        return ['calls' => $this->calls, 'steps' => $this->steps, 'ways' => $this->ways, 'left' => $this->left];
    }

    /** @param array<string, mixed> $sums as toArray() gave them */
    public static function goingOn(array $sums): self
    {
        $traffic = new self;
        $traffic->calls = (int) ($sums['calls'] ?? 0);
        foreach (['steps', 'ways', 'left'] as $name) {
            $traffic->{$name} = array_map(intval(...), is_array($sums[$name] ?? null) ? $sums[$name] : []);
        }

        return $traffic;
    }
}
