<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Script\Steps\Way;
use Ringo\Script\Steps\WayRole;

/**
 * The line of track down the margin of a prompt book: which lane each step sits on, where lanes fork, pass by and join.
 *
 * A lane carries one step's name until the row of that step is reached; lanes that carry the same name meet there,
 * and a side way forks into a lane that already leads where it goes.
 *
 * @phpstan-type Row array{key: string, lane: int, above: bool, below: bool, through: list<int>, joins: list<int>, forks: list<array{lane: int, aside: bool}>, back: list<string>}
 */
final readonly class Spine
{
    /**
     * @param list<Row> $rows one for each step, in reading order
     * @param int $lanes how many lanes side by side there are at most
     */
    private function __construct(public array $rows, public int $lanes)
    {
    }

    public static function of(Script $script): self
    {
        $order = array_flip(array_keys($script->steps));
        /** @var array<int, string> $lanes lane => step it leads to */
        $lanes = [];
        $rows = [];
        $most = 1;
        foreach ($script->steps as $key => $step) {
            $incoming = array_keys($lanes, $key, true);
            sort($incoming);
            $lane = $incoming[0] ?? self::free($lanes);
            foreach ($incoming as $one) {
                unset($lanes[$one]);
            }
            $through = array_keys($lanes);
            sort($through);
            $forks = [];
            $back = [];
            $below = false;
            $seen = [];
            foreach ($step->exits() as $exit) {
                $to = $exit->to;
                if (isset($seen[$to])) {
                    continue;
                }
                $seen[$to] = true;
                if ($to === Way::BACK || ($order[$to] ?? -1) <= $order[$key]) {
                    $back[] = $to;

                    continue;
                }
                $aside = $exit->role === WayRole::Out;
                $held = array_search($to, $lanes, true);
                // A way that ends here runs on in its own lane where that is nearer the margin, and meets the other at the step.
                if ($held !== false && ($held < $lane || isset($lanes[$lane]) || $aside)) {
                    $forks[] = ['lane' => $held, 'aside' => $aside];

                    continue;
                }
                if (! isset($lanes[$lane])) {
                    $lanes[$lane] = $to;
                    $below = true;

                    continue;
                }
                $new = self::free($lanes);
                $lanes[$new] = $to;
                $forks[] = ['lane' => $new, 'aside' => $aside];
            }
            $rows[] = ['key' => $key, 'lane' => $lane, 'above' => $incoming !== [], 'below' => $below, 'through' => $through, 'joins' => array_values(array_slice($incoming, 1)), 'forks' => $forks, 'back' => $back];
            $most = max($most, $lane + 1, ...array_map(static fn (int $one): int => $one + 1, array_keys($lanes)), ...array_map(static fn (int $one): int => $one + 1, $through));
        }

        return new self($rows, $most);
    }

    /** @param array<int, string> $lanes */
    private static function free(array $lanes): int
    {
        for ($lane = 0; isset($lanes[$lane]); $lane++);

        return $lane;
    }
}
