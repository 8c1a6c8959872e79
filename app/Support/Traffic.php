<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\CallStep;
use Ringo\Figures\Traffic as Sums;

/** How calls went through a script: how many came to each step, went each way, and ended where. */
final readonly class Traffic
{
    private const MOST = 5000;

    /** @return array{calls: int, steps: array<string, int>, ways: array<string, int>, left: array<string, int>} ways by `from>to`; left: where callers hung up or the call ended */
    public function of(Agent $agent, int $days, string $kind): array
    {
        $calls = $agent->calls()->where('kind', $kind)->where('status', 'ended')->where('started_at', '>=', now()->subDays($days))->orderByDesc('started_at')->limit(self::MOST)->pluck('id');
        $traffic = new Sums;
        foreach ($calls->chunk(500) as $some) {
            $paths = array_fill_keys($some->all(), []);
            foreach (CallStep::query()->whereIn('call_id', $some)->orderBy('call_id')->orderBy('n')->get(['id', 'call_id', 'trace']) as $step) {
                foreach ($step->trace['steps'] ?? [] as $key) {
                    $paths[$step->call_id][] = (string) $key;
                }
            }
            array_map($traffic->add(...), array_values($paths));
        }

        return $traffic->toArray();
    }
}
