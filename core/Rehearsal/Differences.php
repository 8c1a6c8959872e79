<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Transcript\Turn;

/**
 * What differs between two runs of the same caller lines.
 *
 * Turns are lined up by the longest common subsequence of what was said (D. S. Hirschberg, 1975, in its plain quadratic form).
 */
final readonly class Differences
{
    /**
     * @param list<Turn> $before
     * @param list<Turn> $after
     *
     * @return list<array{before: ?Turn, after: ?Turn, same: bool}>
     */
    public function turns(array $before, array $after): array
    {
        $n = count($before);
        $m = count($after);
        $length = array_fill(0, $n + 1, array_fill(0, $m + 1, 0));
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($j = $m - 1; $j >= 0; $j--) {
                $length[$i][$j] = $this->alike($before[$i], $after[$j]) ? $length[$i + 1][$j + 1] + 1 : max($length[$i + 1][$j], $length[$i][$j + 1]);
            }
        }
        $rows = [];
        $i = $j = 0;
        while ($i < $n || $j < $m) {
            if ($i < $n && $j < $m && $this->alike($before[$i], $after[$j])) {
                $rows[] = ['before' => $before[$i++], 'after' => $after[$j++], 'same' => true];
            } elseif ($i < $n && $j < $m && $before[$i]->by === $after[$j]->by && $length[$i + 1][$j + 1] >= max($length[$i + 1][$j], $length[$i][$j + 1])) {
                // The same speaker said something else here.
                $rows[] = ['before' => $before[$i++], 'after' => $after[$j++], 'same' => false];
            } elseif ($j >= $m || $i < $n && $length[$i + 1][$j] >= $length[$i][$j + 1]) {
                $rows[] = ['before' => $before[$i++], 'after' => null, 'same' => false];
            } else {
                $rows[] = ['before' => null, 'after' => $after[$j++], 'same' => false];
            }
        }

        return $rows;
    }

    /**
     * @param array<string, array{value: mixed, display: string, ...}> $before
     * @param array<string, array{value: mixed, display: string, ...}> $after
     *
     * @return list<array{field: string, before: ?string, after: ?string}> fields whose value differs
     */
    public function cells(array $before, array $after): array
    {
        $rows = [];
        foreach (array_keys($before + $after) as $field) {
            if (($before[$field]['value'] ?? null) != ($after[$field]['value'] ?? null)) {
                $rows[] = ['field' => $field, 'before' => $before[$field]['display'] ?? null, 'after' => $after[$field]['display'] ?? null];
            }
        }

        return $rows;
    }

    private function alike(Turn $a, Turn $b): bool
    {
        // What the script says counts, not how much of it a caller let it say.
        return $a->by === $b->by && $a->says() === $b->says();
    }
}
