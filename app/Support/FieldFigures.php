<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\RecordCheck;

/**
 * How well values were read, from what people found when they looked: precision and recall by field and release, and how far
 * stated confidence is to be believed.
 *
 * Precision is the share of values given that were right; recall the share of values there were that were given right.
 */
final readonly class FieldFigures
{
    /**
     * @return array{fields: array<string, array<int, array{right: int, given: int, due: int}>>, bins: list<array{from: float, stated: float, real: float, n: int}>, releases: list<int>, checked: int}
     */
    public function of(Agent $agent): array
    {
        $releases = $agent->releases()->pluck('number', 'id')->all();
        $fields = [];
        $bins = [];
        $seen = [];
        $checked = 0;
        foreach (RecordCheck::query()->where('agent_id', $agent->id)->get(['field', 'release_id', 'verdict', 'confidence']) as $check) {
            $number = (int) ($releases[$check->release_id] ?? 0);
            $seen[$number] = true;
            $checked++;
            $cell = $fields[$check->field][$number] ?? ['right' => 0, 'given' => 0, 'due' => 0];
            $cell['right'] += $check->verdict === 'accepted' ? 1 : 0;
            $cell['given'] += $check->verdict === 'added' ? 0 : 1;
            $cell['due'] += $check->verdict === 'emptied' ? 0 : 1;
            $fields[$check->field][$number] = $cell;
            if ($check->verdict !== 'added') {
                $bin = min(9, (int) floor($check->confidence * 10));
                $bins[$bin][] = [$check->confidence, $check->verdict === 'accepted'];
            }
        }
        ksort($fields);
        ksort($bins);
        krsort($seen);
        $drawn = [];
        foreach ($bins as $bin => $some) {
            $n = count($some);
            $drawn[] = ['from' => $bin / 10, 'stated' => round(array_sum(array_column($some, 0)) / $n, 3), 'real' => round(count(array_filter(array_column($some, 1))) / $n, 3), 'n' => $n];
        }

        return ['fields' => $fields, 'bins' => $drawn, 'releases' => array_map(intval(...), array_keys($seen)), 'checked' => $checked];
    }
}
