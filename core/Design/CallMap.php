<?php

declare(strict_types=1);

namespace Ringo\Design;

use Ringo\Script\Script;
use Ringo\Script\Steps\WayRole;

/**
 * The whole script at a glance: every step on a row by how far it lies from the beginning, with few crossings.
 *
 * Layered drawing after K. Sugiyama, S. Tagawa and M. Toda, "Methods for visual understanding of hierarchical system structures" (1981):
 * ways back are set aside, steps are ranked by their longest way from the beginning, long ways get a knot on each row they pass,
 * and rows are sorted by the middle of their neighbours until nothing gets better.
 *
 * @phpstan-type Place array{key: string, x: float, y: float}
 * @phpstan-type Way array{from: string, to: string, label: string, back: bool, aside: bool, points: list<array{float, float}>}
 */
final readonly class CallMap
{
    public const WIDTH = 132.0;

    public const HEIGHT = 40.0;

    private const GAP_X = 20.0;

    private const GAP_Y = 44.0;

    /**
     * @param array<string, Place> $steps left upper corners
     * @param list<Way> $ways
     */
    private function __construct(public array $steps, public array $ways, public float $width, public float $height, public int $crossings)
    {
    }

    public static function of(Script $script): self
    {
        $keys = array_map(strval(...), array_keys($script->steps));
        $edges = self::edges($script);
        $back = self::backward($keys, $edges, $script->first);
        $rank = self::ranks($keys, $edges, $back);
        [$rows, $chains, $neighbours] = self::rows($keys, $edges, $back, $rank);
        [$rows, $crossings] = self::sorted($rows, $neighbours);
        $x = self::places($rows, $neighbours);

        return self::drawn($keys, $edges, $back, $rank, $chains, $x, $crossings);
    }

    /** @return list<array{from: string, to: string, label: string, aside: bool}> one for each pair of steps */
    private static function edges(Script $script): array
    {
        $edges = [];
        foreach ($script->steps as $key => $step) {
            foreach ($step->exits() as $exit) {
                $to = $exit->to;
                if (! isset($script->steps[$to])) {
                    continue;
                }
                $aside = $exit->role === WayRole::Out;
                $name = $key.'>'.$to;
                if (isset($edges[$name])) {
                    $edges[$name]['label'] .= ', '.$exit->label;
                    $edges[$name]['aside'] = $edges[$name]['aside'] && $aside;

                    continue;
                }
                $edges[$name] = ['from' => (string) $key, 'to' => $to, 'label' => $exit->label, 'aside' => $aside];
            }
        }

        return array_values($edges);
    }

    /**
     * Ways that close a circle, found by walking from the beginning.
     *
     * @param list<string> $keys
     * @param list<array{from: string, to: string, label: string, aside: bool}> $edges
     *
     * @return array<int, true> by place of the edge
     */
    private static function backward(array $keys, array $edges, string $first): array
    {
        $out = [];
        foreach ($edges as $i => $edge) {
            $out[$edge['from']][] = $i;
        }
        $back = [];
        $state = [];
        $walk = function (string $key) use (&$walk, &$state, &$back, $out, $edges): void {
            $state[$key] = 1;
            foreach ($out[$key] ?? [] as $i) {
                $to = $edges[$i]['to'];
                if (($state[$to] ?? 0) === 1) {
                    $back[$i] = true;
                } elseif (! isset($state[$to])) {
                    $walk($to);
                }
            }
            $state[$key] = 2;
        };
        foreach ([$first, ...$keys] as $key) {
            if (! isset($state[$key])) {
                $walk($key);
            }
        }

        return $back;
    }

    /**
     * @param list<string> $keys
     * @param list<array{from: string, to: string, label: string, aside: bool}> $edges
     * @param array<int, true> $back
     *
     * @return array<string, int>
     */
    private static function ranks(array $keys, array $edges, array $back): array
    {
        $rank = array_fill_keys($keys, 0);
        for ($round = 0, $n = count($keys); $round <= $n; $round++) {
            $changed = false;
            foreach ($edges as $i => $edge) {
                if (! isset($back[$i]) && $rank[$edge['to']] < $rank[$edge['from']] + 1) {
                    $rank[$edge['to']] = $rank[$edge['from']] + 1;
                    $changed = true;
                }
            }
            if (! $changed) {
                break;
            }
        }

        return $rank;
    }

    /**
     * @param list<string> $keys
     * @param list<array{from: string, to: string, label: string, aside: bool}> $edges
     * @param array<int, true> $back
     * @param array<string, int> $rank
     *
     * @return array{array<int, list<string>>, array<int, list<string>>, array<string, array{up: list<string>, down: list<string>}>}
     */
    private static function rows(array $keys, array $edges, array $back, array $rank): array
    {
        $rows = [];
        foreach ($keys as $key) {
            $rows[$rank[$key]][] = $key;
        }
        $chains = [];
        $near = [];
        foreach ($edges as $i => $edge) {
            if (isset($back[$i])) {
                continue;
            }
            $chain = [$edge['from']];
            for ($row = $rank[$edge['from']] + 1; $row < $rank[$edge['to']]; $row++) {
                $knot = "\0{$i}.{$row}";
                $rows[$row][] = $knot;
                $chain[] = $knot;
            }
            $chain[] = $edge['to'];
            $chains[$i] = $chain;
            for ($k = 1; $k < count($chain); $k++) {
                $near[$chain[$k - 1]]['down'][] = $chain[$k];
                $near[$chain[$k]]['up'][] = $chain[$k - 1];
            }
        }
        ksort($rows);
        $neighbours = [];
        foreach ($rows as $row) {
            foreach ($row as $one) {
                $neighbours[$one] = ['up' => $near[$one]['up'] ?? [], 'down' => $near[$one]['down'] ?? []];
            }
        }

        return [$rows, $chains, $neighbours];
    }

    /**
     * @param array<int, list<string>> $rows
     * @param array<string, array{up: list<string>, down: list<string>}> $neighbours
     *
     * @return array{array<int, list<string>>, int}
     */
    private static function sorted(array $rows, array $neighbours): array
    {
        $best = $rows;
        $least = self::crossings($rows, $neighbours);
        for ($round = 0; $round < 12 && $least > 0; $round++) {
            $down = $round % 2 === 0;
            $order = array_keys($rows);
            foreach ($down ? array_slice($order, 1) : array_slice(array_reverse($order), 1) as $r) {
                $beside = array_flip($rows[$down ? $r - 1 : $r + 1]);
                $middle = [];
                foreach ($rows[$r] as $i => $one) {
                    $places = array_map(static fn (string $other): int => $beside[$other], $neighbours[$one][$down ? 'up' : 'down']);
                    sort($places);
                    $middle[$one] = $places === [] ? (float) $i : ($places[intdiv(count($places) - 1, 2)] + $places[intdiv(count($places), 2)]) / 2;
                }
                usort($rows[$r], static fn (string $a, string $b): int => $middle[$a] <=> $middle[$b]);
            }
            $crossings = self::crossings($rows, $neighbours);
            if ($crossings < $least) {
                [$best, $least] = [$rows, $crossings];
            }
        }

        return [$best, $least];
    }

    /**
     * @param array<int, list<string>> $rows
     * @param array<string, array{up: list<string>, down: list<string>}> $neighbours
     */
    private static function crossings(array $rows, array $neighbours): int
    {
        $count = 0;
        foreach (array_slice(array_keys($rows), 0, -1) as $r) {
            $below = array_flip($rows[$r + 1]);
            $ends = [];
            foreach ($rows[$r] as $one) {
                $places = array_map(static fn (string $other): int => $below[$other], $neighbours[$one]['down']);
                sort($places);
                array_push($ends, ...$places);
            }
            for ($i = 1; $i < count($ends); $i++) {
                for ($j = 0; $j < $i; $j++) {
                    $count += $ends[$j] > $ends[$i] ? 1 : 0;
                }
            }
        }

        return $count;
    }

    /**
     * @param array<int, list<string>> $rows
     * @param array<string, array{up: list<string>, down: list<string>}> $neighbours
     *
     * @return array<string, float> middle of each step and knot
     */
    private static function places(array $rows, array $neighbours): array
    {
        $wide = static fn (string $one): float => str_starts_with($one, "\0") ? 14.0 : self::WIDTH;
        $x = [];
        foreach ($rows as $row) {
            $at = 0.0;
            foreach ($row as $one) {
                $x[$one] = $at + $wide($one) / 2;
                $at += $wide($one) + self::GAP_X;
            }
        }
        // Each is drawn towards the middle of its neighbours; the order of a row and its gaps hold.
        for ($round = 0; $round < 16; $round++) {
            foreach ($round % 2 === 0 ? $rows : array_reverse($rows, true) as $row) {
                $wanted = [];
                foreach ($row as $one) {
                    $all = $neighbours[$one][$round % 2 === 0 ? 'up' : 'down'] ?: [...$neighbours[$one]['up'], ...$neighbours[$one]['down']];
                    $wanted[$one] = $all === [] ? $x[$one] : array_sum(array_map(static fn (string $other): float => $x[$other], $all)) / count($all);
                }
                $edge = null;
                $left = [];
                foreach ($row as $one) {
                    $least = $edge === null ? -INF : $edge + self::GAP_X + $wide($one) / 2;
                    $left[$one] = max($wanted[$one], $least);
                    $edge = $left[$one] + $wide($one) / 2;
                }
                $edge = null;
                $right = [];
                foreach (array_reverse($row) as $one) {
                    $most = $edge === null ? INF : $edge - self::GAP_X - $wide($one) / 2;
                    $right[$one] = min($wanted[$one], $most);
                    $edge = $right[$one] - $wide($one) / 2;
                }
                $edge = null;
                foreach ($row as $one) {
                    $least = $edge === null ? -INF : $edge + self::GAP_X + $wide($one) / 2;
                    $x[$one] = max(($left[$one] + $right[$one]) / 2, $least);
                    $edge = $x[$one] + $wide($one) / 2;
                }
            }
        }

        return $x;
    }

    /**
     * @param list<string> $keys
     * @param list<array{from: string, to: string, label: string, aside: bool}> $edges
     * @param array<int, true> $back
     * @param array<string, int> $rank
     * @param array<int, list<string>> $chains
     * @param array<string, float> $x
     */
    private static function drawn(array $keys, array $edges, array $back, array $rank, array $chains, array $x, int $crossings): self
    {
        $least = $x === [] ? 0.0 : min(array_map(static fn (string $one): float => $x[$one] - (str_starts_with($one, "\0") ? 7 : self::WIDTH / 2), array_map(strval(...), array_keys($x))));
        $shift = 24.0 - $least;
        $row = self::HEIGHT + self::GAP_Y;
        $steps = [];
        foreach ($keys as $key) {
            $steps[$key] = ['key' => $key, 'x' => round($x[$key] + $shift - self::WIDTH / 2, 1), 'y' => round(20 + $rank[$key] * $row, 1)];
        }
        $most = max([0.0, ...array_map(static fn (array $step): float => $step['x'] + self::WIDTH, array_values($steps)), ...array_map(static fn (float $one): float => $one + $shift, array_values($x))]);
        $ways = [];
        $lane = 0;
        foreach ($edges as $i => $edge) {
            $from = $steps[$edge['from']];
            $to = $steps[$edge['to']];
            if (isset($back[$i])) {
                // Ways back run up the right side, each in a lane of its own.
                $right = $most + 18 + 7 * ($lane++ % 14);
                $points = [[$from['x'] + self::WIDTH, $from['y'] + self::HEIGHT / 2], [$right, $from['y'] + self::HEIGHT / 2], [$right, $to['y'] + self::HEIGHT / 2], [$to['x'] + self::WIDTH, $to['y'] + self::HEIGHT / 2]];
            } else {
                $points = [[$from['x'] + self::WIDTH / 2, $from['y'] + self::HEIGHT]];
                foreach (array_slice($chains[$i], 1, -1) as $k => $knot) {
                    $points[] = [round($x[$knot] + $shift, 1), round(20 + ($rank[$edge['from']] + $k + 1) * $row + self::HEIGHT / 2, 1)];
                }
                $points[] = [$to['x'] + self::WIDTH / 2, $to['y']];
            }
            $ways[] = $edge + ['back' => isset($back[$i]), 'points' => array_map(static fn (array $point): array => [round($point[0], 1), round($point[1], 1)], $points)];
        }
        $height = 40 + (($rank === [] ? 0 : max($rank)) + 1) * $row;

        return new self($steps, $ways, round($most + 24 + ($lane > 0 ? 18 + 7 * min(14, $lane) : 0), 1), (float) $height, $crossings);
    }
}
