@php
    $kinds = ['document' => 'document', 'questions' => 'questions with answers', 'table' => 'table', 'page' => 'web page'];
@endphp
<x-layout title="Knowledge" :business="$business" :agent="$agent" here="knowledge">
    <header class="head"><h1>Knowledge</h1>
        <p class="sub">{{ $sources->count() }} {{ $sources->count() === 1 ? 'source' : 'sources' }}, {{ number_format($sources->sum('words')) }} words · agents answer only from what is written here</p>
        <div class="actions"><a class="button primary" href="{{ route('knowledge.bench', $business) }}">Ask it @if ($checks)<small>{{ $failing ? $failing.' of '.$checks.' checks fail' : $checks.' checks pass' }}</small>@endif</a></div>
    </header>
    <x-at-once :business="$business" :area="\App\Support\AtOnce::Knowledge"/>
    @foreach (['source', 'answer', 'text'] as $name)@error($name)<p class="error" role="alert">{{ $message }}</p>@enderror @endforeach
    @if ($sources->isEmpty())<p class="empty card">Nothing yet, so agents say that they do not know. Bring in a document, paste a text or a table, or fetch a page below.</p>
    @else
        <table class="list" data-rows><thead><tr><th>Source</th><th>Kind</th><th class="num">Pieces</th><th class="num">Words</th><th class="num">To say all</th><th>Last change</th><th class="num">Answered</th></tr></thead>
            <tbody>@foreach ($sources as $source)<tr data-row tabindex="-1" data-href="{{ route('knowledge.source', [$business, $source]) }}">
                <td><a href="{{ route('knowledge.source', [$business, $source]) }}"><strong>{{ $source->name }}</strong></a>@if ($source->url)<br><small>{{ $source->url }}</small>@endif</td><td>{{ $kinds[$source->kind] ?? $source->kind }}</td><td class="num">{{ $source->pieces }}</td><td class="num">{{ number_format($source->words) }}</td>
                <td class="num">{{ $source->words > 390 ? round($source->words / 156).' min' : round($source->words / 2.6).' s' }}</td><td>{{ $source->updated_at?->setTimezone($business->tz)->format('j M, H:i') }} <small>version {{ $source->version }}</small></td><td class="num">{{ $source->answered }}</td></tr>@endforeach</tbody></table>
    @endif
    <div class="post-lower knowledge-add">
        <section class="card"><h2>Add a source</h2>
            <form method="post" action="{{ route('knowledge.store', $business) }}" enctype="multipart/form-data" class="stack">@csrf
                <x-field class="wide" label="a file" hint="Markdown, text, HTML, PDF or CSV"><input type="file" name="file" accept=".md,.txt,.html,.htm,.pdf,.csv,.tsv"></x-field>
                <details @if (old('text')) open @endif><summary>or paste it</summary>
                    <div class="inline-fields"><x-field label="name"><input name="name" value="{{ old('name') }}" placeholder="delivery zones"></x-field><x-field label="it is"><x-choice name="kind" :of="['document' => 'a document', 'questions' => 'questions with answers', 'table' => 'a table']"/></x-field></div>
                    <x-field class="wide" label="text" hint="headings with #, questions as headings that end in a question mark"><textarea name="text" rows="6">{{ old('text') }}</textarea></x-field></details>
                <div class="go"><button type="submit" class="primary">Keep it</button></div></form></section>
        <section class="card"><h2>Fetch a page</h2>
            <form method="post" action="{{ route('knowledge.fetch', $business) }}" class="stack">@csrf<x-field class="wide" label="address of a page or a site map"><input name="url" value="{{ old('url') }}" placeholder="https://www.pellbrook.example/terms.html" required></x-field><div class="go"><button type="submit">Fetch</button></div></form>
            <details><summary>Allowed hosts, and your own words</summary><form method="post" action="{{ route('knowledge.hosts', $business) }}" class="stack">@csrf @method('put')
                <x-field class="wide" label="hosts pages may be fetched from" hint="one a line"><textarea name="hosts" rows="2" spellcheck="false">{{ implode("\n", $business->knowledge_hosts ?? []) }}</textarea></x-field>
                <x-field class="wide" label="words that mean the same here" hint="one group a line: digger, excavator, the big one"><textarea name="own_words" rows="3">{{ implode("\n", $business->own_words ?? []) }}</textarea></x-field><button type="submit">Keep</button></form></details></section>
    </div>
    <section class="card" id="asked" aria-labelledby="asked-title"><h2 id="asked-title">Asked, and not answered <span class="figure">{{ $questions->count() ?: '' }}</span></h2>
        @forelse (array_slice($groups, 0, 12) as $group)
            @php $first = $questions[$group[0]]; $ids = implode(',', $group); @endphp
            <details class="asked"><summary><strong>{{ count($group) }}×</strong> “{{ $first->question }}” <small>{{ $first->why }}</small></summary>
                @if (count($group) > 1)<ul class="muted">@foreach (array_slice($group, 1, 5) as $id)<li>“{{ $questions[$id]->question }}”</li>@endforeach</ul>@endif
                <form method="post" action="{{ route('knowledge.write', $business) }}" class="stack">@csrf<input type="hidden" name="ids" value="{{ $ids }}">
                    <x-field class="wide" label="question"><input name="question" value="{{ $first->question }}" required></x-field>
                    <x-field class="wide" label="write the answer here"><textarea name="answer" rows="2" required></textarea></x-field>
                    <div class="go"><button type="submit" class="primary">Keep the answer</button> <button type="submit" formaction="{{ route('knowledge.set-aside', $business) }}" formnovalidate>Set aside</button> <a href="{{ route('knowledge.bench', [$business, 'q' => $first->question]) }}">look at it on the bench</a></div></form></details>
        @empty<p class="empty">Every question callers asked was answered, or nobody has asked.</p>@endforelse
    </section>
    <section class="card" aria-labelledby="care-title"><h2 id="care-title">To look after <span class="figure">{{ count($findings) ?: '' }}</span></h2>
        @forelse (array_slice($findings, 0, 20) as $one)<div class="line finding-line"><span class="what"><strong>{{ $one['rule'] }}</strong></span><span>{{ $one['message'] }} <em>{{ $one['fix'] }}</em></span><span class="when">{{ $one['place'] }}</span></div>@empty<p class="empty">No contradictions, stale dates, long sentences or empty cells.</p>@endforelse
        @if ($unreached > 0 && $sources->sum('answered') > 0)<p class="muted">{{ $unreached }} passages have not answered anything yet.</p>@endif
    </section>
</x-layout>
