<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Dialogue\Order\Objection;
use Ringo\Language\SayingModel;

/** How often what people who are rung have against it is told by its kind, at the likelihood a call asks for; `-` are sayings that are nothing of it. */
final class ObjectionScore
{
    /** @return iterable<array<string, mixed>> a line a kind, then all objections */
    public function of(string $file): iterable
    {
        $lines = is_file($file) ? (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : throw new BadInput("{$file}: there is no such file.");
        $counts = [];
        foreach ($lines as $number => $line) {
            [$kind, $said] = explode("\t", $line) + [1 => null];
            if ($said === null) {
                throw new BadInput("{$file}, line ".($number + 1).': it needs a kind, a tab and a saying.');
            }
            $of = SayingModel::objections()->of($said);
            unset($of['-']);
            $best = (string) array_search(max([0.0, ...array_values($of)]), $of, true);
            $taken = $of[$best] >= Objection::LIKELY;
            $counts[$kind] = ($counts[$kind] ?? ['sayings' => 0, 'right' => 0, 'another' => 0, 'not_taken' => 0]);
            $counts[$kind]['sayings']++;
            $counts[$kind][$taken ? ($best === $kind ? 'right' : 'another') : 'not_taken']++;
        }
        ksort($counts);
        $all = ['sayings' => 0, 'right' => 0, 'another' => 0, 'not_taken' => 0];
        foreach ($counts as $kind => $count) {
            yield ['kind' => $kind] + $count;
            foreach ($kind === '-' ? [] : $count as $name => $n) {
                $all[$name] += $n;
            }
        }

        $share = static fn (int $n): float => round($n / max(1, $all['sayings']), 3);

        yield ['kind' => 'all objections', 'sayings' => $all['sayings'], 'right' => $share($all['right']), 'another' => $share($all['another']), 'not_taken' => $share($all['not_taken'])];
    }
}
