@php
    $sort = $filter['sort'] ?? 'when';
    $dir = $filter['dir'] ?? ($sort === 'when' ? 'desc' : 'asc');
    $link = fn (string $key): string => route('calls', [$business, ...array_filter($filter), 'sort' => $key, 'dir' => $sort === $key && $dir === 'asc' ? 'desc' : ($sort === $key ? 'asc' : ($key === 'when' ? 'desc' : 'asc'))]);
    $aria = fn (string $key): string => $sort === $key ? ($dir === 'asc' ? 'ascending' : 'descending') : 'none';
    $kept = array_filter($filter);
@endphp
<x-layout title="Calls" :business="$business" :agent="$agent" here="calls">
    <header class="head">
        <h1>Calls</h1>
        <p class="sub">{{ number_format($calls->total()) }} {{ $calls->total() === 1 ? 'call' : 'calls' }}{{ $kept ? ' shown by this filter' : '' }}</p>
        <div class="actions">
            <a class="button" href="{{ route('calls.csv', [$business, ...$kept]) }}"><x-icon name="download"/> Records as CSV</a>
            <a class="button" href="{{ route('calls.jsonl', [$business, ...$kept]) }}">JSON Lines</a>
        </div>
    </header>
    <form class="filter" action="{{ route('calls', $business) }}">
        <label for="f-q">Words, name or number</label>
        <input id="f-q" name="q" type="search" value="{{ $filter['q'] ?? '' }}" placeholder="deposit, Whitcombe, 07700 900…">
        <label for="f-outcome">Outcome</label>
        <select id="f-outcome" name="outcome">
            <option value="">any</option>
            <option value="in progress" @selected(($filter['outcome'] ?? '') === 'in progress')>in progress</option>
            @foreach ($outcomes as $outcome)<option @selected(($filter['outcome'] ?? '') === $outcome)>{{ $outcome }}</option>@endforeach
        </select>
        <label class="inline"><input type="checkbox" name="check" value="1" @checked(($filter['check'] ?? '') === '1')> to check only</label>
        <button type="submit">Show</button>
        @if ($kept)<a href="{{ route('calls', $business) }}">Show all</a>@endif
    </form>
    @if ($calls->isEmpty())
        <p class="empty card">@if ($kept) No call fits. Try fewer words, or <a href="{{ route('calls', $business) }}">show all calls</a>. @else Calls appear here as soon as one has begun. Ring your agent with <kbd>r</kbd> to see the first. @endif</p>
    @else
        <table class="list" data-rows>
            <thead><tr>
                <th aria-sort="{{ $aria('when') }}"><a href="{{ $link('when') }}">When</a></th>
                <th aria-sort="{{ $aria('caller') }}"><a href="{{ $link('caller') }}">Caller</a></th>
                <th aria-sort="{{ $aria('outcome') }}"><a href="{{ $link('outcome') }}">Outcome</a></th>
                <th>What it left</th>
                <th aria-sort="{{ $aria('length') }}" class="num"><a href="{{ $link('length') }}">Length</a></th>
                <th>Agent</th>
            </tr></thead>
            <tbody>
            @foreach ($calls as $call)
                <tr data-row tabindex="-1" data-href="{{ route('call', [$business, $call]) }}">
                    <td class="nowrap"><a href="{{ route('call', [$business, $call]) }}" title="{{ $call->placedAt()->format('c') }}">{{ $call->placedAt()->format('D j M, H:i') }}</a></td>
                    <td><strong>{{ $call->caller_name }}</strong><br><small>{{ $call->from ? app(\Ringo\Numbering\NumberingPlan::class)->describe($call->from)?->inNationalFormat() : 'withheld' }}</small></td>
                    <td>@if ($call->inProgress())<span class="badge live">in progress</span>@else{{ $call->outcome }}@endif
                        @if ($call->record?->doubtful)<br><span class="badge doubt">to check</span>@endif</td>
                    <td class="left">{{ \Illuminate\Support\Str::limit(\Illuminate\Support\Str::after($call->record->summary ?? '', '. '), 130) }}</td>
                    <td class="num">{{ intdiv((int) $call->seconds, 60) }}:{{ str_pad((string) ((int) $call->seconds % 60), 2, '0', STR_PAD_LEFT) }}</td>
                    <td class="nowrap">{{ $call->agent->name }}<br><small>{{ $call->release ? 'release '.$call->release->number : 'draft' }}</small></td>
                </tr>
            @endforeach
            </tbody>
        </table>
        @if ($calls->hasPages())
            <nav class="pages" aria-label="Pages">
                @if ($calls->previousPageUrl())<a href="{{ $calls->previousPageUrl() }}" rel="prev">Newer page</a>@endif
                <span>page {{ $calls->currentPage() }} of {{ $calls->lastPage() }}</span>
                @if ($calls->nextPageUrl())<a href="{{ $calls->nextPageUrl() }}" rel="next">Next page</a>@endif
            </nav>
        @endif
    @endif
</x-layout>
