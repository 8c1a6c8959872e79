<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Business;
use App\Models\Call;
use App\Support\Search\Found;
use App\Support\Search\FullText;
use App\Support\Search\PageOfMany;
use App\Support\Sight;
use Illuminate\Database\Query\Builder;

/**
 * One page of the calls that are looked for.
 *
 * A call is a long row, so they are told apart by the one index that holds all the list filters by, and only those of the page are read.
 * Where few fit they are sorted here; of many, the index of what they are sorted by is walked until the page is full, and they are not
 * counted.
 */
final readonly class CallPage
{
    private const PER_PAGE = 25;

    /** So many are sorted quicker than another index is walked for them. */
    private const FEW = 4000;

    /** Beyond these pages it is quicker to sort all that fit than to walk the index of what they are sorted by. */
    private const WALKED_PAGES = 20;

    /** All that calls are filtered by. */
    private const LISTED = 'calls_listed_index';

    public function __construct(private FindCalls $find, private int $sorts = self::FEW)
    {
    }

    /**
     * @param array<string, ?string> $filter as FindCalls::RULES has it
     *
     * @return PageOfMany<Call>
     */
    public function of(Business $business, array $filter, ?Sight $sight, int $page): PageOfMany
    {
        [$calls, $founds] = $this->find->parts($business, $filter, $sight);
        $plain = $calls->toBase();
        $order = FindCalls::order($filter);
        $few = $this->few($plain, $founds, $order[0]);
        if ($few !== null) {
            [$sort, $sign] = [$order[0], $order[1] === 'asc' ? 1 : -1];
            usort($few, static fn (\stdClass $a, \stdClass $b): int => $sign * ([$a->{$sort}, $a->id] <=> [$b->{$sort}, $b->id]));

            return $this->page(array_column(array_slice($few, ($page - 1) * self::PER_PAGE, self::PER_PAGE), 'id'), $page, count($few), false);
        }
        $all = FindCalls::unfiltered($filter);
        $ids = $this->walk($plain, $founds, $order, $page, $all);

        return $this->page(array_slice($ids, 0, self::PER_PAGE), $page, $all ? (clone $plain)->count() : null, count($ids) > self::PER_PAGE);
    }

    /**
     * Those that fit, where they are few.
     *
     * @param list<Found> $founds
     *
     * @return list<\stdClass>|null each with its number and what it is sorted by
     */
    private function few(Builder $plain, array $founds, string $sort): ?array
    {
        foreach ($founds as $found) {
            $ids = $found->few();
            if ($ids !== null) {
                $query = (clone $plain)->whereIntegerInRaw('calls.id', $ids);
                foreach ($founds as $other) {
                    $other === $found || $other->ask($query, 'calls.id');
                }

                return array_values($query->get(['calls.id', $sort])->all());
            }
        }
        $some = $this->listed(clone $plain)->limit($this->sorts + 1)->get(['calls.id', $sort]);
        if ($some->count() > $this->sorts) {
            return null;
        }
        foreach ($founds as $found) {
            $among = array_fill_keys($found->among(array_values(array_map(intval(...), $some->pluck('id')->all()))), true);
            $some = $some->filter(static fn (\stdClass $one): bool => isset($among[(int) $one->id]));
        }

        return array_values($some->all());
    }

    /**
     * @param list<Found> $founds
     * @param array{string, 'asc'|'desc'} $order
     *
     * @return list<int> those of the page, and one more where there is one
     */
    private function walk(Builder $plain, array $founds, array $order, int $page, bool $all): array
    {
        $walked = (clone $plain)->orderBy($order[0], $order[1])->orderBy('calls.id', $order[1]);
        if (! $all && FullText::there()) {
            $walked->forceIndex($order[0] === 'started_at' || $page > self::WALKED_PAGES ? self::LISTED : "calls_business_id_deleted_at_{$order[0]}_index");
        }
        $offset = ($page - 1) * self::PER_PAGE;
        $ids = $founds === [] || $page > self::WALKED_PAGES ? null : Found::atTheHead($founds, $walked, 'calls.id', $offset, self::PER_PAGE + 1);
        if ($ids === null) {
            foreach ($founds as $found) {
                $found->ask($walked, 'calls.id');
            }
            $ids = array_values(array_map(intval(...), $walked->offset($offset)->limit(self::PER_PAGE + 1)->pluck('calls.id')->all()));
        }

        return $ids;
    }

    private function listed(Builder $query): Builder
    {
        return FullText::there() ? $query->forceIndex(self::LISTED) : $query;
    }

    /**
     * @param list<int> $ids
     *
     * @return PageOfMany<Call>
     */
    private function page(array $ids, int $page, ?int $total, bool $more): PageOfMany
    {
        $place = array_flip($ids);
        $calls = Call::query()->with('record', 'agent', 'release')->whereKey($ids)->get()->sortBy(static fn (Call $call): int => $place[$call->id])->values();

        return new PageOfMany($calls, self::PER_PAGE, $page, $total, $this->sorts, $more);
    }
}
