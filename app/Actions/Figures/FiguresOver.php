<?php

declare(strict_types=1);

namespace App\Actions\Figures;

use App\Models\Agent;
use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Ringo\Figures\Tally;

/** The sums of a span of days, for a business or one of its agents. */
final readonly class FiguresOver
{
    /**
     * @param string $from first local date
     * @param string $to last local date
     */
    public function of(Business $business, ?Agent $agent, string $from, string $to): Tally
    {
        $tally = new Tally;
        $rows = DB::table('figures')->where('business_id', $business->id)->when($agent !== null, static fn ($query) => $query->where('agent_id', $agent?->id))->where('day', '>=', $from)->where('day', '<=', $to)->groupBy('what', 'key')->selectRaw('what, "key", sum(n) as n, sum(total) as total')->get();
        foreach ($rows as $row) {
            $tally->count((string) $row->what, (string) $row->key, (float) $row->total, (int) $row->n);
        }

        return $tally;
    }

    /** @return array<string, int> calls by day, of days that had any */
    public function days(Business $business, ?Agent $agent, string $from, string $to): array
    {
        $days = [];
        foreach (DB::table('figures')->where('business_id', $business->id)->when($agent !== null, static fn ($query) => $query->where('agent_id', $agent?->id))->where('day', '>=', $from)->where('day', '<=', $to)->where('what', 'call')->groupBy('day')->selectRaw('day, sum(n) as n')->get() as $row) {
            $days[substr((string) $row->day, 0, 10)] = (int) $row->n;
        }

        return $days;
    }
}
