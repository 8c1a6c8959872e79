<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use App\Models\Offer;
use App\Models\Release;
use App\Support\Search\CallSearch;
use App\Support\Search\Found;
use App\Support\Search\RecordSearch;
use App\Support\Sight;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Ending;
use Ringo\Figures\Handled;
use Ringo\Numbering\NumberingPlan;

/** The calls of a business, searched, filtered and sorted. */
final readonly class FindCalls
{
    /** Calls, the newest first, whose words are looked at one by one where something of them is kept back. */
    private const LOOKED_THROUGH = 500;

    public const RULES = [
        'q' => ['nullable', 'string', 'max:200'], 'outcome' => ['nullable', 'string', 'max:100'], 'check' => ['nullable', 'in:1'], 'agent' => ['nullable', 'string', 'max:100'], 'release' => ['nullable', 'string', 'regex:/^(\d{1,6}|draft)$/'], 'kind' => ['nullable', 'in:live,rehearsal,imported,counted'],
        'caller' => ['nullable', 'string', 'max:100'], 'longer' => ['nullable', 'integer', 'between:0,600'], 'shorter' => ['nullable', 'integer', 'between:0,600'], 'field' => ['nullable', 'string', 'max:80', 'regex:/^[a-z0-9_]*$/'], 'value' => ['nullable', 'string', 'max:100'], 'since' => ['nullable', 'date_format:Y-m-d'], 'until' => ['nullable', 'date_format:Y-m-d'],
        'handled' => ['nullable', 'in:agent,staff,nobody,given_up'], 'topic' => ['nullable', 'string', 'max:80'], 'line' => ['nullable', 'string', 'max:40'],
        'sort' => ['nullable', 'in:when,caller,outcome,length'], 'dir' => ['nullable', 'in:asc,desc'],
    ];

    public const SORTS = ['when' => 'started_at', 'caller' => 'caller_name', 'outcome' => 'outcome', 'length' => 'seconds'];

    public function __construct(private NumberingPlan $plan)
    {
    }

    /**
     * @param array<string, ?string> $filter as RULES has it
     *
     * @return Builder<Call>
     */
    public function query(Business $business, array $filter, ?Sight $sight = null): Builder
    {
        [$query, $founds] = $this->parts($business, $filter, $sight);
        foreach ($founds as $found) {
            $found->narrow($query, 'calls.id');
        }
        [$sort, $direction] = self::order($filter);
        $query->orderBy($sort, $direction)->orderBy('calls.id', $direction);

        return $query;
    }

    /**
     * What a table tells of the calls that are looked for, and what only a full-text index does, apart and unsorted.
     *
     * @param array<string, ?string> $filter as RULES has it
     *
     * @return array{Builder<Call>, list<Found>}
     */
    public function parts(Business $business, array $filter, ?Sight $sight = null): array
    {
        $query = Call::query()->where('calls.business_id', $business->id);
        $words = trim((string) ($filter['q'] ?? ''));
        $found = $words === '' ? null : $this->search($query, $business, $words, $sight);
        if (($filter['outcome'] ?? '') !== '' && $filter['outcome'] !== null) {
            $filter['outcome'] === 'in progress' ? $query->where('status', 'in_progress') : $query->where('outcome', $filter['outcome']);
        }
        $toCheck = DB::table('records')->where('business_id', $business->id)->where('doubtful', true)->select('call_id');
        $doubtful = ($filter['check'] ?? '') === '1' ? new Found($toCheck, 'call_id') : null;
        $this->narrow($query, $business, $filter);
        $this->byCaller($query, $business, $filter, $sight);

        return [$query, array_values(array_filter([$found, $doubtful, $this->byValue($query, $business, $filter, $sight)]))];
    }

    /** @param array<string, ?string> $filter */
    public static function unfiltered(array $filter): bool
    {
        return array_filter(array_diff_key($filter, ['sort' => true, 'dir' => true]), static fn (?string $one): bool => trim((string) $one) !== '') === [];
    }

    /**
     * @param array<string, ?string> $filter
     *
     * @return array{string, 'asc'|'desc'} the column and the direction it sorts by
     */
    public static function order(array $filter): array
    {
        $sort = self::SORTS[$filter['sort'] ?? 'when'] ?? 'started_at';

        return [$sort, ($filter['dir'] ?? ($sort === 'started_at' ? 'desc' : 'asc')) === 'desc' ? 'desc' : 'asc'];
    }

    /**
     * @param Builder<Call> $query
     * @param array<string, ?string> $filter
     */
    private function narrow(Builder $query, Business $business, array $filter): void
    {
        $given = static fn (string $name): ?string => self::given($filter, $name);
        if (($agent = $given('agent')) !== null) {
            $query->whereIn('calls.agent_id', $business->agents()->where('key', $agent)->pluck('id'));
        }
        if (($release = $given('release')) !== null) {
            $agents = Agent::withTrashed()->where('business_id', $business->id)->select('id');
            $releases = Release::query()->whereIn('agent_id', $agents)->where('number', (int) $release)->pluck('id');
            $release === 'draft' ? $query->whereNull('release_id') : $query->whereIn('release_id', $releases);
        }
        if (($kind = $given('kind')) !== null) {
            // Those that the figures count.
            $kind === 'counted' ? $query->where('kind', '!=', 'rehearsal')->where('status', 'ended') : $query->where('kind', $kind);
        }
        if (($longer = $given('longer')) !== null) {
            $query->where('seconds', '>=', 60 * (int) $longer);
        }
        if (($shorter = $given('shorter')) !== null) {
            $query->where('seconds', '<=', 60 * (int) $shorter);
        }
        if (($since = $given('since')) !== null) {
            $query->where('started_at', '>=', \Illuminate\Support\Carbon::parse($since, $business->tz)->utc());
        }
        if (($until = $given('until')) !== null) {
            $query->where('started_at', '<', \Illuminate\Support\Carbon::parse($until, $business->tz)->addDay()->utc());
        }
        if (($line = $given('line')) !== null) {
            $query->whereIn('line_id', Line::withTrashed()->where('business_id', $business->id)->where('key', $line)->pluck('id'));
        }
        if (($topic = $given('topic')) !== null) {
            $query->where('topic', $topic);
        }
        if (($handled = Handled::tryFrom((string) $given('handled'))) !== null) {
            $this->handled($query, $handled);
        }
    }

    /**
     * @param array<string, ?string> $filter
     */
    private static function given(array $filter, string $name): ?string
    {
        $value = trim((string) ($filter[$name] ?? ''));

        return $value === '' ? null : $value;
    }

    /**
     * @param Builder<Call> $query
     * @param array<string, ?string> $filter
     */
    private function byCaller(Builder $query, Business $business, array $filter, ?Sight $sight): void
    {
        if (($caller = self::given($filter, 'caller')) !== null) {
            $number = preg_match('/^[+\d][\d\s()-]{5,}$/', $caller) === 1 ? $this->plan->parse($caller, $business->country) : null;
            $number === null ? $this->named($query, $business, $caller, $sight) : $query->where('from', $number->e164);
        }
    }

    /**
     * By a value of the record.
     *
     * @param Builder<Call> $query
     * @param array<string, ?string> $filter
     *
     * @return ?Found null where no index tells
     */
    private function byValue(Builder $query, Business $business, array $filter, ?Sight $sight): ?Found
    {
        $field = self::given($filter, 'field');
        $value = self::given($filter, 'value');
        if ($field === null || $value === null) {
            return null;
        }
        // A value that is not shown cannot be found out by asking for it either.
        $hidden = $sight === null ? [] : $business->agents()->get()->filter(static fn (Agent $agent): bool => isset($sight->keptBack($agent)[$field]))->modelKeys();
        if ($hidden !== []) {
            $query->whereNotIn('calls.agent_id', $hidden);
        }
        $found = RecordSearch::inField($field, $value);
        if ($found === null) {
            $query->whereHas('record', static fn (Builder $record): Builder => $record->where(static fn (Builder $either): Builder => $either->where("cells->{$field}->display", 'like', '%'.addcslashes($value, '%_\\').'%')->orWhere("cells->{$field}->value", $value)));
        }

        return $found;
    }

    /**
     * The calls that `Handled::of` counts so.
     *
     * @param Builder<Call> $query
     */
    private function handled(Builder $query, Handled $handled): void
    {
        $query->where('status', 'ended');
        if ($handled === Handled::Staff) {
            $query->where(static fn (Builder $either) => $either->whereNotNull('taken_by')->orWhere('outcome', Ending::FORWARDED));

            return;
        }
        $query->whereNull('taken_by')->where('outcome', '!=', Ending::FORWARDED);
        // A telephone that the line rings before the agent is nobody's being asked for.
        $rang = Offer::query()->where('before_agent', false)->select('call_id');
        if ($handled === Handled::Nobody) {
            $query->where(static fn (Builder $either) => $either->whereIn('calls.id', $rang)->orWhereIn('outcome', Ending::UNANSWERED));

            return;
        }
        $query->whereNotIn('calls.id', $rang)->whereNotIn('outcome', Ending::UNANSWERED);
        $handled === Handled::GivenUp ? $query->whereIn('outcome', Ending::IN_VAIN) : $query->whereNotIn('outcome', Ending::IN_VAIN);
    }

    /** @param Builder<Call> $query */
    private function search(Builder $query, Business $business, string $words, ?Sight $sight): ?Found
    {
        $number = preg_match('/^[+\d\s()-]{6,}$/', $words) === 1 ? $this->plan->parse($words, $business->country) : null;
        if ($number !== null) {
            $query->where('from', $number->e164);

            return null;
        }
        $found = CallSearch::found($words);
        $hiding = $this->hiding($business, $sight);
        if ($sight === null || $hiding === []) {
            return $found;
        }
        // What somebody may not see cannot be found out by searching for it: their words are looked at as they are shown.
        $looked = $this->newest($business, $hiding, ['record', 'agent', 'turns']);
        $found->narrow($looked, 'calls.id');
        $seen = $this->those($looked, static fn (Call $call): bool => $sight->finds($call, $words));
        $query->where(static fn ($either) => $either->whereIn('calls.id', $seen)->orWhere(static fn ($open) => $open->whereNotIn('calls.agent_id', $hiding)->whereIn('calls.id', $found->query())));

        return null;
    }

    /**
     * Agents of whose calls something is kept back.
     *
     * @return list<int>
     */
    private function hiding(Business $business, ?Sight $sight): array
    {
        return $sight === null ? [] : array_values(array_map(intval(...), $business->agents()->get()->filter(static fn (Agent $agent): bool => $sight->keptBack($agent) !== [])->modelKeys()));
    }

    /**
     * @param list<int> $agents
     * @param list<string> $with
     *
     * @return Builder<Call>
     */
    private function newest(Business $business, array $agents, array $with): Builder
    {
        $query = Call::query()->with($with)->where('calls.business_id', $business->id);
        $query->whereIn('calls.agent_id', $agents);
        $query->orderByDesc('calls.id')->limit(self::LOOKED_THROUGH);

        return $query;
    }

    /**
     * @param Builder<Call> $query
     * @param \Closure(Call): bool $fits
     *
     * @return list<int>
     */
    private function those(Builder $query, \Closure $fits): array
    {
        $ids = [];
        foreach ($query->get() as $call) {
            if ($call instanceof Call && $fits($call)) {
                $ids[] = $call->id;
            }
        }

        return $ids;
    }

    /**
     * By the caller's name; one that is kept back is not found by it.
     *
     * @param Builder<Call> $query
     */
    private function named(Builder $query, Business $business, string $name, ?Sight $sight): void
    {
        $like = '%'.addcslashes($name, '%_\\').'%';
        $hiding = $this->hiding($business, $sight);
        if ($sight === null || $hiding === []) {
            $query->where('caller_name', 'like', $like);

            return;
        }
        $looked = $this->newest($business, $hiding, ['record', 'agent']);
        $looked->where('caller_name', 'like', $like);
        $seen = $this->those($looked, static fn (Call $call): bool => mb_stripos($sight->over($call)->caller_name, $name) !== false);
        $query->where(static fn ($either) => $either->whereIn('calls.id', $seen)->orWhere(static fn ($open) => $open->whereNotIn('calls.agent_id', $hiding)->where('caller_name', 'like', $like)));
    }
}
