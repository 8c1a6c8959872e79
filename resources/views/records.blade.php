@php
    $kept = array_filter($filter);
    $show = $filter['show'] ?? 'doubtful';
    $number = fn (?int $part, ?int $whole): string => $whole ? number_format($part / $whole, 2) : '–';
@endphp
<x-layout title="Records" :business="$business" :agent="$agent" here="records">
    <header class="head">
        <h1>Records</h1>
        <p class="sub">@if ($records) <span data-to-check>{{ $toCheck }}</span> to check · {{ $records->inWords('record', 'records') }} shown @if ($keptBack !== []) · {{ implode(', ', $keptBack) }}: for owners and designers @endif @endif</p>
        @if ($agent)
        <div class="actions">
            <a class="button" href="{{ route('records.xlsx', [$business, ...$kept, 'agent' => $agent->key]) }}"><x-icon name="download"/> XLSX</a>
            <a class="button" href="{{ route('calls.csv', [$business, 'agent' => $agent->key, 'check' => $show === 'doubtful' ? 1 : null]) }}">CSV</a>
            @can('design', $business)<a class="button" href="{{ route('sheet', [$business, $agent]) }}">Record sheet</a>@endcan
        </div>
        @endif
    </header>
    @if ($records === null)
        <p class="empty card">Records appear here once an agent has taken a call. @can('design', $business)<a href="{{ route('agent.new', $business) }}">Make an agent</a>.@endcan</p>
    @else
        <form class="filter" action="{{ route('records', $business) }}">
            @if ($agents->count() > 1)<label for="f-agent">Agent</label><x-choice id="f-agent" name="agent" :of="collect($agents)->pluck('name', 'key')" :chosen="$agent->key"/>@else<input type="hidden" name="agent" value="{{ $agent->key }}">@endif
            <label for="f-show">Show</label><x-choice id="f-show" name="show" :of="['doubtful' => 'to check', 'all' => 'all']" :chosen="$show"/>
            <label for="f-outcome">Outcome</label><x-choice id="f-outcome" name="outcome" :of="collect($outcomes)->combine($outcomes)" :chosen="($filter['outcome'] ?? '')" none="any"/>
            <label for="f-q">Holds</label><input id="f-q" name="q" type="search" value="{{ $filter['q'] ?? '' }}">
            <button type="submit">Show</button>
        </form>
        <p class="keys-line"><kbd>j</kbd><kbd>k</kbd> next value to look at · <kbd>a</kbd> right · <kbd>e</kbd> correct · <kbd>x</kbd> empty · arrows move through all</p>
        @if ($records->isEmpty())
            <p class="empty card">@if ($show === 'doubtful') Nothing to check: every record is complete and sure. <a href="{{ route('records', [$business, 'agent' => $agent->key, 'show' => 'all']) }}">Show all records</a>. @else No record fits. @endif</p>
        @else
            <div class="review" data-review>
                <div class="grid-scroll">
                    <table class="record-grid">
                        <caption class="sr">Records, one call a row; doubtful values come first when moving with j and k</caption>
                        <thead><tr><th scope="col">Call</th>@foreach ($fields as $field)<th scope="col" title="{{ $field->description }}">{{ $field->title }}@if ($field->required)<span class="must" title="required">*</span>@endif</th>@endforeach</tr></thead>
                        <tbody>
                        @foreach ($records as $record)
                            <tr data-record="{{ route('record.review', [$business, $record]) }}" data-call="{{ $record->call_id }}">
                                <th scope="row"><a href="{{ route('call', [$business, $record->call]) }}" title="{{ $record->call->placedAt()->format('c') }}">{{ $record->call->caller_name }}</a><small>{{ $record->call->placedAt()->format('j M, H:i') }} · {{ $record->outcome }}</small></th>
                                @foreach ($fields as $key => $field)
                                    @php
                                        $cell = $record->cells[$key] ?? null;
                                        $checked = $record->checks->firstWhere('field', $key);
                                        $missing = $cell === null && in_array($key, $record->missing, true);
                                        $doubt = $cell['doubt'] ?? ($record->doubts[$key] ?? ($missing ? 'required, and not in the call' : null));
                                        $state = $checked ? 'v-checked' : ($doubt ? 'v-doubt' : ($cell === null ? 'v-none' : 'v-sure'));
                                    @endphp
                                    <td tabindex="-1" data-cell="{{ $key }}" class="{{ $state }}" data-title="{{ $field->title }}" data-example="{{ $field->example }}" data-turn="{{ $cell['turn'] ?? '' }}" data-said="{{ $cell['said'] ?? '' }}" data-doubt="{{ $doubt }}" data-confidence="{{ $cell === null ? '' : number_format($cell['confidence'], 2) }}" data-origin="{{ $cell['origin'] ?? '' }}">@if ($cell !== null)<span class="held{{ $field->type === \Ringo\Value\ValueType::Phone ? ' whole' : '' }}" title="{{ $cell['display'] }}">{{ $cell['display'] }}</span>@elseif (in_array($key, $record->declined, true))<span class="muted">not given</span>@elseif ($missing)<span class="doubt-note">missing</span>@endif</td>
                                @endforeach
                            </tr>
                        @endforeach
                        </tbody>
                    </table>
                </div>
                <aside class="card look" aria-live="polite" data-look>
                    <h2 data-look-title>Value</h2>
                    <p class="look-value" data-look-value>Move with <kbd>j</kbd> to the first value to look at.</p>
                    <p class="doubt-note" data-look-doubt></p>
                    <ol class="look-turns" data-look-turns></ol>
                    <p class="muted" data-look-how></p>
                    <div class="go" data-look-go hidden>
                        <button type="button" data-do="accept">Right <kbd>a</kbd></button>
                        <button type="button" data-do="edit">Correct <kbd>e</kbd></button>
                        <button type="button" data-do="empty"><span data-empty-words>Empty</span> <kbd>x</kbd></button>
                    </div>
                    <form data-look-form hidden><x-field label="It is"><input data-look-input autocomplete="off"></x-field><button type="submit" class="primary">Keep <kbd>Enter</kbd></button> <button type="button" data-look-cancel>Leave <kbd>Esc</kbd></button></form>
                    <p class="error" role="alert" data-look-error></p>
                </aside>
            </div>
            <script type="application/json" data-turns>@json($turns)</script>
            @if ($records->hasPages())
                <nav class="pages" aria-label="Pages">@if ($records->previousPageUrl())<a href="{{ $records->previousPageUrl() }}">Newer page</a>@endif<span>{{ $records->place() }}</span>@if ($records->nextPageUrl())<a href="{{ $records->nextPageUrl() }}">Next page</a>@endif</nav>
            @endif
            <form class="filter accept-many" method="post" action="{{ route('records.accept', $business) }}">@csrf
                @foreach (['show' => $show, 'outcome' => $filter['outcome'] ?? '', 'q' => $filter['q'] ?? '', 'agent' => $agent->key] as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                <label for="over">Accept every value of confidence</label><input id="over" name="over" value="0.95" size="4" inputmode="decimal"> <span>and more, in the records shown</span> <button type="submit">Accept them</button>
            </form>
        @endif
        <section class="card field-figures" aria-labelledby="fig">
            <h2 id="fig">How well values are read <small>from {{ $figures['checked'] }} values that people looked at</small></h2>
            @if ($figures['checked'] === 0)
                <p class="empty">Accept or correct some values above: from what you find, precision and recall are computed for each field and release.</p>
            @else
                <div class="figures-body">
                    <table class="list">
                        <thead><tr><th>Field</th>@foreach ($figures['releases'] as $release)<th class="num" colspan="2">{{ $release === 0 ? 'draft and brought in' : 'release '.$release }}</th>@endforeach</tr>
                        <tr><td></td>@foreach ($figures['releases'] as $release)<th class="num" title="Share of the values given that were right">precision</th><th class="num" title="Share of the values there were that were given right">recall</th>@endforeach</tr></thead>
                        <tbody>@foreach (array_diff_key($figures['fields'], $keptBack) as $key => $by)<tr><td>{{ $fields[$key]->title ?? str_replace('_', ' ', $key) }}</td>@foreach ($figures['releases'] as $release)@php $one = $by[$release] ?? null; @endphp<td class="num" title="{{ $one ? $one['right'].' of '.$one['given'] : '' }}">{{ $number($one['right'] ?? null, $one['given'] ?? null) }}</td><td class="num" title="{{ $one ? $one['right'].' of '.$one['due'] : '' }}">{{ $number($one['right'] ?? null, $one['due'] ?? null) }}</td>@endforeach</tr>@endforeach</tbody>
                    </table>
                    <figure class="calibration">
                        <svg viewBox="0 0 220 200" role="img" aria-label="Stated against real confidence: @foreach ($figures['bins'] as $bin)stated {{ $bin['stated'] }}, real {{ $bin['real'] }}, {{ $bin['n'] }} values{{ $loop->last ? '' : '; ' }}@endforeach">
                            <rect x="30" y="10" width="160" height="160" class="cal-frame"/><line x1="30" y1="170" x2="190" y2="10" class="cal-even"/>
                            @foreach ([0, 0.5, 1] as $tick)<text x="{{ 30 + 160 * $tick }}" y="184" text-anchor="middle" class="bar-day">{{ $tick }}</text><text x="24" y="{{ 174 - 160 * $tick }}" text-anchor="end" class="bar-day">{{ $tick }}</text>@endforeach
                            @foreach ($figures['bins'] as $bin)<circle cx="{{ round(30 + 160 * $bin['stated'], 1) }}" cy="{{ round(170 - 160 * $bin['real'], 1) }}" r="{{ round(3 + min(9, sqrt($bin['n'])), 1) }}" class="cal-dot"><title>{{ $bin['n'] }} values stated at {{ $bin['stated'] }} were right {{ round(100 * $bin['real']) }} % of the time</title></circle>@endforeach
                            <text x="110" y="198" text-anchor="middle" class="bar-day">stated confidence</text>
                        </svg>
                        <figcaption>Right as often as stated where the dots lie on the line; above it Ringo was surer than it said, below it less.</figcaption>
                    </figure>
                </div>
            @endif
        </section>
    @endif
</x-layout>
