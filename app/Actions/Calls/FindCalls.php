<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Business;
use App\Models\Call;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Ringo\Numbering\NumberingPlan;

/** The calls of a business, searched, filtered and sorted. */
final readonly class FindCalls
{
    public const SORTS = ['when' => 'started_at', 'caller' => 'caller_name', 'outcome' => 'outcome', 'length' => 'seconds'];

    public function __construct(private NumberingPlan $plan)
    {
    }

    /**
     * @param array{q?: ?string, outcome?: ?string, check?: ?string, sort?: ?string, dir?: ?string} $filter
     *
     * @return Builder<Call>
     */
    public function query(Business $business, array $filter): Builder
    {
        $query = Call::query()->where('calls.business_id', $business->id);
        $words = trim((string) ($filter['q'] ?? ''));
        if ($words !== '') {
            $this->search($query, $business, $words);
        }
        if (($filter['outcome'] ?? '') !== '' && $filter['outcome'] !== null) {
            $filter['outcome'] === 'in progress' ? $query->where('status', 'in_progress') : $query->where('outcome', $filter['outcome']);
        }
        if (($filter['check'] ?? '') === '1') {
            $query->whereHas('record', static fn (Builder $record): Builder => $record->where('doubtful', true));
        }
        $sort = self::SORTS[$filter['sort'] ?? 'when'] ?? 'started_at';
        $direction = ($filter['dir'] ?? ($sort === 'started_at' ? 'desc' : 'asc')) === 'desc' ? 'desc' : 'asc';

        $query->orderBy($sort, $direction)->orderBy('calls.id', $direction);

        return $query;
    }

    /** @param Builder<Call> $query */
    private function search(Builder $query, Business $business, string $words): void
    {
        $number = preg_match('/^[+\d\s()-]{6,}$/', $words) === 1 ? $this->plan->parse($words, $business->country) : null;
        if ($number !== null) {
            $query->where('from', $number->e164);

            return;
        }
        if (DB::getDriverName() === 'sqlite') {
            // Each word is a quoted prefix, so that nothing typed is read as search syntax.
            $match = implode(' ', array_map(static fn (string $word): string => '"'.str_replace('"', '', $word).'"*', preg_split('/\s+/', $words, 12) ?: []));
            $query->whereIn('calls.id', DB::table('call_search')->select('call_id')->whereRaw('call_search MATCH ?', [$match]));

            return;
        }
        $query->whereIn('calls.id', DB::table('call_search')->select('call_id')->where('words', 'like', '%'.addcslashes($words, '%_\\').'%'));
    }
}
