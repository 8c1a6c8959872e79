<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Fit\Fold;
use Ringo\Understanding\Acts\ActModel;

/**
 * How often what was learned of acts is right, where it is as sure as a call asks for.
 *
 * Of the lines it was trained on only those of trades left out count; of any other file all do.
 */
final class ActScore
{
    /** @return iterable<array<string, mixed>> a line an act, then all */
    public function of(string $file): iterable
    {
        $lines = is_file($file) ? (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : throw new BadInput("{$file}: there is no such file.");
        $model = ActModel::english();
        $trained = $model->trainedOn(hash_file('sha256', $file) ?: '');
        $counts = [];
        $n = $top = 0;
        foreach ($lines as $number => $line) {
            $row = json_decode($line, true);
            if (! is_array($row) || ! isset($row['said'], $row['acts'], $row['trade'])) {
                throw new BadInput("{$file}, line ".($number + 1).': it needs said, acts and trade.');
            }
            if ($trained && ! Fold::heldOut((string) $row['trade'])) {
                continue;
            }
            $of = $model->of((string) $row['said'], (string) ($row['asked'] ?? ''), (string) ($row['type'] ?? 'topic'));
            $n++;
            $top += in_array(array_search(max([0.0, ...array_values($of)]), $of, true), $row['acts'], true) ? 1 : 0;
            foreach ($of as $act => $probability) {
                $sure = $model->sureFrom($act);
                $is = in_array($act, $row['acts'], true);
                $taken = $sure !== null && $probability >= $sure;
                $counts[$act] = [($counts[$act][0] ?? 0) + (int) $is, ($counts[$act][1] ?? 0) + (int) $taken, ($counts[$act][2] ?? 0) + (int) ($taken && $is)];
            }
        }
        foreach ($counts as $act => [$are, $taken, $right]) {
            yield ['act' => $act, 'are' => $are, 'taken' => $taken, 'right' => $right, 'precision' => $taken === 0 ? null : round($right / $taken, 3), 'found' => $are === 0 ? null : round($right / $are, 3)];
        }

        yield ['act' => 'likeliest', 'are' => $n, 'right' => $top, 'share' => round($top / max(1, $n), 3)];
    }
}
