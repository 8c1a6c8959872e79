<x-layout title="Callers" :business="$business" :agent="$agent" here="callers">
    <header class="head"><h1>Callers</h1>
        <div class="actions">
            <details class="pick"><summary class="button"><x-icon name="download"/> Export</summary><ul><li><a href="{{ route('callers.csv', [$business] + request()->query()) }}">CSV</a></li><li><a href="{{ route('callers.vcf', [$business] + request()->query()) }}">vCard 4.0</a></li></ul></details>
            <a class="button" href="#bring-in"><x-icon name="upload"/> Bring a list in</a>
            <a class="button primary" href="{{ route('caller.new', $business) }}"><x-icon name="plus"/> New caller</a>
        </div>
        <p class="sub">{{ number_format($contacts->total()) }} {{ $contacts->total() === 1 ? 'caller' : 'callers' }}. @if ($proposals > 0)<a href="{{ route('callers', [$business, 'show' => 'proposals']) }}">{{ $proposals === 1 ? '1 fact from a call waits' : $proposals.' facts from calls wait' }} for a yes.</a>@endif</p>
    </header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <form class="filter" method="get">
        <label class="sr" for="callers-q">Find by name, firm, e-mail or number</label><input id="callers-q" type="search" name="q" value="{{ $filter['q'] ?? '' }}" placeholder="Name, firm, e-mail or number">
        <x-choice name="show" aria-label="Show" :of="['organisations' => 'organisations', 'blocked' => 'blocked', 'do_not_call' => 'not to be called', 'proposals' => 'with facts to take over']" :chosen="($filter['show'] ?? '')" none="everybody"/>
        <button>Show</button>
    </form>
    @if ($contacts->isEmpty())<p class="card empty">Nobody here{{ array_filter($filter) === [] ? ' yet. Bring a list in below, or write the first caller.' : ' fits that.' }}</p>@else
    <table class="list" data-rows>
        <thead><tr>@foreach (['name' => 'Name', 'organisation' => 'Organisation'] as $key => $words)<th aria-sort="{{ ($filter['sort'] ?? 'name') === $key ? (($filter['dir'] ?? 'asc') === 'asc' ? 'ascending' : 'descending') : 'none' }}"><a href="{{ route('callers', [$business, 'sort' => $key, 'dir' => ($filter['sort'] ?? 'name') === $key && ($filter['dir'] ?? 'asc') === 'asc' ? 'desc' : 'asc'] + $filter) }}">{{ $words }}</a></th>@endforeach<th>Numbers</th><th>E-mail</th>@foreach ($columns->take(2) as $column)<th>{{ $column->title }}</th>@endforeach<th>Tags</th></tr></thead>
        <tbody>@foreach ($contacts as $contact)
            <tr tabindex="0" data-row data-href="{{ route('caller', [$business, $contact]) }}">
                <td><a href="{{ route('caller', [$business, $contact]) }}"><strong>{{ $contact->name }}</strong></a> @if ($contact->blocked)<span class="badge doubt">blocked</span>@endif @if ($contact->kind === 'organisation')<small>organisation</small>@endif</td>
                <td>{{ $contact->organisation }}</td>
                <td class="figures">@foreach ($contact->numbers as $number)<span class="nowrap" title="{{ $number->e164 }}">{{ app(\Ringo\Numbering\NumberingPlan::class)->describe($number->e164)?->inNationalFormat() ?? $number->e164 }}</span>@if (! $loop->last), @endif @endforeach</td>
                <td>{{ $contact->email }}</td>
                @foreach ($columns->take(2) as $column)<td>{{ $column->shown($contact->facts[$column->key] ?? null) }}</td>@endforeach
                <td>{{ implode(', ', $contact->tags ?? []) }}{{ $contact->do_not_call ? ' (not to be called)' : '' }}</td>
            </tr>@endforeach</tbody>
    </table>
    <nav class="pages" aria-label="Pages">@if ($contacts->previousPageUrl())<a href="{{ $contacts->previousPageUrl() }}">Before</a>@endif<span>page {{ $contacts->currentPage() }} of {{ $contacts->lastPage() }}</span>@if ($contacts->nextPageUrl())<a href="{{ $contacts->nextPageUrl() }}">Next</a>@endif</nav>
    @endif
    <div class="other-ways">
        <section class="card" id="bring-in"><h2>Bring a list in</h2><form method="post" enctype="multipart/form-data" action="{{ route('import.upload', $business) }}" class="stack">@csrf<x-field label="CSV or vCard, up to 50 MB"><input type="file" name="file" accept=".csv,.txt,.vcf,text/csv,text/vcard" required></x-field><button>Look at it first</button></form></section>
        <section class="card"><h2>Earlier lists</h2>@forelse ($imports as $import)<a class="line" href="{{ route('import', [$business, $import]) }}"><span class="what"><strong>{{ $import->name }}</strong></span><span class="why">{{ str_replace('_', ' ', $import->status) }}, {{ $import->done }} of {{ $import->total }}</span></a>@empty<p class="empty">None yet.</p>@endforelse</section>
        <section class="card"><h2>A column of your own</h2><form method="post" action="{{ route('callers.column', $business) }}" class="stack">@csrf<x-field label="called"><input name="title" required maxlength="60"></x-field><x-field label="holds"><x-choice name="type" :of="\App\Models\ContactColumn::TYPES"/></x-field><button>Add it</button></form></section>
    </div>
</x-layout>
