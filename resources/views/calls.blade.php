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
        <p class="sub">{{ ucfirst($calls->inWords('call', 'calls')) }}{{ $kept ? ' shown by this filter' : '' }}</p>
        <div class="actions">
            <a class="button" href="{{ route('calls.csv', [$business, ...$kept]) }}"><x-icon name="download"/> Records as CSV</a>
            <a class="button" href="{{ route('calls.jsonl', [$business, ...$kept]) }}">JSON Lines</a>
            @can('design', $business)<details class="pick"><summary class="button">More</summary><ul class="wide-menu"><li><form method="post" action="{{ route('calls.import', $business) }}" enctype="multipart/form-data">@csrf<x-field label="Bring in transcripts" hint="JSON Lines or vCon"><input type="file" name="file" accept=".json,.jsonl,.vcon" required></x-field><button type="submit">Bring in and read</button></form></li><li><form method="post" action="{{ route('calls.keep', $business) }}">@csrf @method('put')<x-field label="Erase calls after so many days" hint="empty: keep them"><input name="keep_days" inputmode="numeric" value="{{ $business->keep_days }}"></x-field><button type="submit">Keep this</button></form></li></ul></details>@endcan
        </div>
    </header>
    @if ($importing && ! $importing->over())<p class="card"><progress data-progress="{{ route('calls.importing', [$business, $importing]) }}" max="{{ max(1, $importing->total) }}" value="{{ $importing->done }}"></progress> <span data-progress-words role="status">{{ $importing->done }} of {{ $importing->total }}</span> transcripts are brought in and read. You may leave this page; it goes on.</p>@elseif ($importing && ! session('notice') && ($filter['kind'] ?? '') === 'imported')<p class="notice" role="status">{{ $importing->inWords() }}</p>@endif
    <form class="filter" action="{{ route('calls', $business) }}">
        <label for="f-q">Words, name or number</label>
        <input id="f-q" name="q" type="search" value="{{ $filter['q'] ?? '' }}" placeholder="deposit, Whitcombe, 07700 900…">
        <label for="f-outcome">Outcome</label>
        <x-choice id="f-outcome" name="outcome" :of="collect(['in progress', ...$outcomes])->mapWithKeys(static fn ($outcome) => [$outcome => $outcome])" :chosen="$filter['outcome'] ?? ''" none="any"/>
        <label class="inline"><input type="checkbox" name="check" value="1" @checked(($filter['check'] ?? '') === '1')> to check only</label>
        @php $more = array_filter(array_intersect_key($filter, array_flip(['agent', 'release', 'kind', 'caller', 'longer', 'shorter', 'field', 'value', 'since', 'until', 'handled', 'topic', 'line']))); @endphp
        <details class="more-filters" @if ($more) open @endif><summary>More{{ $more ? ' ('.count($more).')' : '' }}</summary>
            <div class="inline-fields">
                <x-field label="agent"><x-choice name="agent" :of="collect($agents)->pluck('name', 'key')" :chosen="($filter['agent'] ?? '')" none="any"/></x-field>
                <x-field label="release" hint="number or draft"><input name="release" value="{{ $filter['release'] ?? '' }}" size="5"></x-field>
                <x-field label="kind"><x-choice name="kind" :of="['live' => 'live', 'rehearsal' => 'rehearsal', 'imported' => 'brought in', 'counted' => 'all that are counted']" :chosen="($filter['kind'] ?? '')" none="any"/></x-field>
                <x-field label="caller" hint="name or number"><input name="caller" value="{{ $filter['caller'] ?? '' }}"></x-field>
                <x-field label="ended by"><x-choice name="handled" :of="collect(\Ringo\Figures\Handled::cases())->mapWithKeys(static fn ($one) => [$one->value => lcfirst($one->inWords())])" :chosen="$filter['handled'] ?? ''" none="any"/></x-field>
                @if ($lines !== [])<x-field label="line"><x-choice name="line" :of="$lines" :chosen="($filter['line'] ?? '')" none="any"/></x-field>@endif
                <x-field label="topic"><input name="topic" value="{{ $filter['topic'] ?? '' }}" size="10"></x-field>
                <x-field label="at least, min"><input name="longer" inputmode="numeric" size="3" value="{{ $filter['longer'] ?? '' }}"></x-field>
                <x-field label="at most, min"><input name="shorter" inputmode="numeric" size="3" value="{{ $filter['shorter'] ?? '' }}"></x-field>
                <x-field label="from"><input type="date" name="since" value="{{ $filter['since'] ?? '' }}"></x-field>
                <x-field label="to"><input type="date" name="until" value="{{ $filter['until'] ?? '' }}"></x-field>
                <x-field label="field"><input name="field" value="{{ $filter['field'] ?? '' }}" list="f-fields" placeholder="depot"><datalist id="f-fields">@foreach ($agent?->draft->scriptText->script()->sheet->fields ?? [] as $key => $field)<option value="{{ $key }}">{{ $field->title }}</option>@endforeach</datalist></x-field>
                <x-field label="holds"><input name="value" value="{{ $filter['value'] ?? '' }}" placeholder="Oldmere"></x-field>
            </div>
        </details>
        <button type="submit">Show</button>
        @if ($kept)<a href="{{ route('calls', $business) }}">Show all</a>@endif
    </form>
    @if ($kept || $saved->isNotEmpty())
        <div class="saved">
            @foreach ($saved as $one)<span class="saved-one"><a href="{{ route('calls', [$business, ...$one->filter]) }}">{{ $one->name }}</a><form method="post" action="{{ route('filter.drop', [$business, $one]) }}">@csrf @method('delete')<button class="bare" aria-label="Take out the filter {{ $one->name }}"><x-icon name="x"/></button></form></span>@endforeach
            @if ($kept)<form method="post" action="{{ route('filter.keep', $business) }}" class="inline-form">@csrf @foreach ($kept as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach<input name="name" required maxlength="60" placeholder="keep this filter as …" aria-label="Name for this filter"><button type="submit">Keep</button></form>@endif
        </div>
    @endif
    @error('file')<p class="error" role="alert">{{ $message }}</p>@enderror
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
                <span>{{ $calls->place() }}</span>
                @if ($calls->nextPageUrl())<a href="{{ $calls->nextPageUrl() }}" rel="next">Next page</a>@endif
            </nav>
        @endif
    @endif
</x-layout>
