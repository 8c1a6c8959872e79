<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\RecordSheet as FurtherSheet;
use App\Support\Search\Found;
use App\Support\Search\PageOfMany;
use App\Support\Search\RecordSearch;
use App\Support\Sight;
use Illuminate\Database\Eloquent\Builder;
use Ringo\Sheet\RecordSheet;

/** The records of an agent's calls, filtered as their page has it; those of calls in the bin are none. */
final readonly class RecordsOf
{
    private const PER_PAGE = 20;

    /**
     * @param array<string, mixed> $filter show: doubtful or all; outcome; q: words of any value the asker may see
     *
     * @return Builder<CallRecord>
     */
    public function agent(Agent $agent, array $filter, Sight $sight, bool $sorted = true): Builder
    {
        $query = $this->filtered($agent, $filter);
        $query->whereNotIn('records.call_id', $this->inTheBin($agent));
        $this->search($query, $agent, $filter, $sight);

        if ($sorted) {
            $query->orderByDesc('doubtful')->orderByDesc('records.id');
        }

        return $query;
    }

    /**
     * @param Builder<CallRecord> $query
     * @param array<string, mixed> $filter
     */
    private function search(Builder $query, Agent $agent, array $filter, Sight $sight): void
    {
        $words = trim((string) ($filter['q'] ?? ''));
        if ($words === '') {
            return;
        }
        $found = $this->found($agent, $filter, $sight);
        if ($found !== null) {
            $found->narrow($query, 'records.call_id');

            return;
        }
        $like = '%'.addcslashes($words, '%_\\').'%';
        $query->where(function (Builder $any) use ($agent, $sight, $like): void {
            $shown = $this->shown($agent, $sight);
            if ($shown === null) {
                $any->where('cells', 'like', $like);
            }
            foreach ($shown ?? [] as $field) {
                $any->orWhere("cells->{$field}->display", 'like', $like);
            }
            if ($shown === []) {
                $any->whereRaw('1 = 0');
            }
        });
    }

    /**
     * @param array<string, mixed> $filter
     *
     * @return ?Found calls whose records hold the words, in what the asker may see; null where no index tells
     */
    private function found(Agent $agent, array $filter, Sight $sight): ?Found
    {
        $shown = $this->shown($agent, $sight);

        return trim((string) ($filter['q'] ?? '')) === '' || $shown === [] ? null : RecordSearch::inAny((string) $filter['q'], $shown);
    }

    /** @return ?list<string> fields the asker may see, where not all of them */
    private function shown(Agent $agent, Sight $sight): ?array
    {
        $hidden = $sight->keptBack($agent);

        return $hidden === [] ? null : array_values(array_diff(array_keys($this->sheet($agent)->fields), array_keys($hidden)));
    }

    /**
     * @param array<string, mixed> $filter
     *
     * @return PageOfMany<CallRecord>
     */
    public function page(Agent $agent, array $filter, Sight $sight, int $page): PageOfMany
    {
        $offset = ($page - 1) * self::PER_PAGE;
        $found = $this->found($agent, $filter, $sight);
        $head = null;
        if ($found !== null && $found->few() === null) {
            $all = $this->agent($agent, ['q' => null] + $filter, $sight)->toBase();
            $head = Found::atTheHead([$found], $all, 'records.call_id', $offset, self::PER_PAGE + 1);
        }
        $query = $head === null ? $this->agent($agent, $filter, $sight) : CallRecord::query();
        if ($head === null) {
            $query->offset($offset)->limit(self::PER_PAGE + 1);
        } else {
            $query->whereIn('records.call_id', $head);
            $query->orderByDesc('doubtful')->orderByDesc('records.id');
        }
        $query->with('call.agent', 'checks');
        $records = $query->get();
        $total = $found === null ? $this->count($agent, $filter) : ($found->few() === null ? null : $this->agent($agent, $filter, $sight, false)->count());

        return new PageOfMany($records->take(self::PER_PAGE), self::PER_PAGE, $page, $total, $page * self::PER_PAGE, $records->count() > self::PER_PAGE);
    }

    /**
     * How many are to be looked at in all of a business.
     */
    public static function toCheck(Business $business): int
    {
        $doubtful = CallRecord::query()->where('business_id', $business->id)->where('doubtful', true);
        $inTheBin = Call::onlyTrashed()->where('business_id', $business->id)->select('id');

        return (clone $doubtful)->count() - $doubtful->whereIn('call_id', $inTheBin)->count();
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
