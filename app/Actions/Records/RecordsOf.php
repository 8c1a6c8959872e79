<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Agent;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\RecordSheet as FurtherSheet;
use App\Support\Sight;
use Illuminate\Database\Eloquent\Builder;
use Ringo\Sheet\RecordSheet;

/** The records of an agent's calls, filtered as their page has it; those of calls in the bin are none. */
final readonly class RecordsOf
{
    /**
     * @param array<string, mixed> $filter show: doubtful or all; outcome; q: words of any value the asker may see
     *
     * @return Builder<CallRecord>
     */
    public function agent(Agent $agent, array $filter, Sight $sight, bool $sorted = true): Builder
    {
        $query = $this->filtered($agent, $filter);
        $query->whereNotIn('records.call_id', $this->inTheBin($agent));
        if (($filter['q'] ?? '') !== '' && $filter['q'] !== null) {
            $like = '%'.addcslashes((string) $filter['q'], '%_\\').'%';
            $hidden = $sight->keptBack($agent);
            $query->where(function (Builder $any) use ($agent, $like, $hidden): void {
                if ($hidden === []) {
                    $any->where('cells', 'like', $like);
                }
                foreach ($hidden === [] ? [] : array_diff(array_keys($this->sheet($agent)->fields), array_keys($hidden)) as $field) {
                    $any->orWhere("cells->{$field}->display", 'like', $like);
                }
            });
        }

        if ($sorted) {
            $query->orderByDesc('doubtful')->orderByDesc('records.id');
        }

        return $query;
    }

    /**
     * How many there are, without looking at each: all that an index has, less those in the bin.
     *
     * @param array<string, mixed> $filter
     *
     * @return ?int null where words are looked for: then each has to be looked at
     */
    public function count(Agent $agent, array $filter): ?int
    {
        if (($filter['q'] ?? '') !== '' && $filter['q'] !== null) {
            return null;
        }

        return $this->filtered($agent, $filter)->count() - $this->filtered($agent, $filter)->whereIn('records.call_id', $this->inTheBin($agent))->count();
    }

    public function sheet(Agent $agent): RecordSheet
    {
        $main = $agent->draft->scriptText->script()->sheet->toArray();
        foreach (FurtherSheet::query()->where('agent_id', $agent->id)->get() as $further) {
            $main['properties'] = ($main['properties'] ?? []) + ($further->schema['properties'] ?? []);
        }

        return RecordSheet::fromArray($main);
    }

    /**
     * @param array<string, mixed> $filter
     *
     * @return Builder<CallRecord>
     */
    private function filtered(Agent $agent, array $filter): Builder
    {
        $query = CallRecord::query()->where('records.agent_id', $agent->id);
        if (($filter['show'] ?? 'doubtful') === 'doubtful') {
            $query->where('doubtful', true);
        }
        if (($filter['outcome'] ?? '') !== '' && $filter['outcome'] !== null) {
            $query->where('records.outcome', $filter['outcome']);
        }

        return $query;
    }

    /** @return Builder<Call> */
    private function inTheBin(Agent $agent): Builder
    {
        $calls = Call::withTrashed()->where('business_id', $agent->business_id);
        $calls->whereNotNull('deleted_at')->select('id');

        return $calls;
    }
}
