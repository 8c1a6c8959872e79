<?php

declare(strict_types=1);

namespace App\Support\Search;

use Illuminate\Pagination\Paginator;
use Illuminate\Support\Collection;

/**
 * One page of a list. How long the list is, is told where counting it takes no longer than reading the page; else that there is more.
 *
 * @template M
 *
 * @extends Paginator<int, M>
 */
final class PageOfMany extends Paginator
{
    /**
     * @param Collection<int, M> $items
     * @param ?int $total null where it has not been counted
     * @param int $least of it there are in any case
     */
    public function __construct(Collection $items, int $perPage, int $page, public readonly ?int $total, public readonly int $least, bool $more)
    {
        parent::__construct($items, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
        $this->hasMorePagesWhen($total === null ? $more : $page * $perPage < $total);
    }

    /** In words: 12 calls, more than 4,000 calls. */
    public function inWords(string $one, string $many): string
    {
        if ($this->total === null) {
            return 'more than '.number_format($this->least)." {$many}";
        }

        return number_format($this->total).' '.($this->total === 1 ? $one : $many);
    }

    public function place(): string
    {
        $last = $this->total === null ? '' : ' of '.number_format(max(1, (int) ceil($this->total / $this->perPage())));

        return 'page '.number_format($this->currentPage()).$last;
    }
}
