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
                <label class="field-label wide"><span>a file <small>Markdown, text, HTML, PDF or CSV</small></span><input type="file" name="file" accept=".md,.txt,.html,.htm,.pdf,.csv,.tsv"></label>
                <details @if (old('text')) open @endif><summary>or paste it</summary>
                    <div class="inline-fields"><label class="field-label"><span>name</span><input name="name" value="{{ old('name') }}" placeholder="delivery zones"></label><label class="field-label"><span>it is</span><select name="kind"><option value="document">a document</option><option value="questions">questions with answers</option><option value="table">a table</option></select></label></div>
                    <label class="field-label wide"><span>text <small>headings with #, questions as headings that end in a question mark</small></span><textarea name="text" rows="6">{{ old('text') }}</textarea></label></details>
                <div class="go"><button type="submit" class="primary">Keep it</button></div></form></section>
        <section class="card"><h2>Fetch a page</h2>
            <form method="post" action="{{ route('knowledge.fetch', $business) }}" class="stack">@csrf<label class="field-label wide"><span>address of a page or a site map</span><input name="url" value="{{ old('url') }}" placeholder="https://www.pellbrook.example/terms.html" required></label><div class="go"><button type="submit">Fetch</button></div></form>
            <details><summary>Allowed hosts, and your own words</summary><form method="post" action="{{ route('knowledge.hosts', $business) }}" class="stack">@csrf @method('put')
                <label class="field-label wide"><span>hosts pages may be fetched from <small>one a line</small></span><textarea name="hosts" rows="2" spellcheck="false">{{ implode("\n", $business->knowledge_hosts ?? []) }}</textarea></label>
                <label class="field-label wide"><span>words that mean the same here <small>one group a line: digger, excavator, the big one</small></span><textarea name="own_words" rows="3">{{ implode("\n", $business->own_words ?? []) }}</textarea></label><button type="submit">Keep</button></form></details></section>
    </div>
    <section class="card" id="asked" aria-labelledby="asked-title"><h2 id="asked-title">Asked, and not answered <span class="figure">{{ $questions->count() ?: '' }}</span></h2>
        @forelse (array_slice($groups, 0, 12) as $group)
            @php $first = $questions[$group[0]]; $ids = implode(',', $group); @endphp
            <details class="asked"><summary><strong>{{ count($group) }}×</strong> “{{ $first->question }}” <small>{{ $first->why }}</small></summary>
                @if (count($group) > 1)<ul class="muted">@foreach (array_slice($group, 1, 5) as $id)<li>“{{ $questions[$id]->question }}”</li>@endforeach</ul>@endif
                <form method="post" action="{{ route('knowledge.write', $business) }}" class="stack">@csrf<input type="hidden" name="ids" value="{{ $ids }}">
                    <label class="field-label wide"><span>question</span><input name="question" value="{{ $first->question }}" required></label>
                    <label class="field-label wide"><span>write the answer here</span><textarea name="answer" rows="2" required></textarea></label>
                    <div class="go"><button type="submit" class="primary">Keep the answer</button> <button type="submit" formaction="{{ route('knowledge.set-aside', $business) }}" formnovalidate>Set aside</button> <a href="{{ route('knowledge.bench', [$business, 'q' => $first->question]) }}">look at it on the bench</a></div></form></details>
        @empty<p class="empty">Every question callers asked was answered, or nobody has asked.</p>@endforelse
    </section>
    <section class="card" aria-labelledby="care-title"><h2 id="care-title">To look after <span class="figure">{{ count($findings) ?: '' }}</span></h2>
        @forelse (array_slice($findings, 0, 20) as $one)<div class="line finding-line"><span class="what"><strong>{{ $one['rule'] }}</strong></span><span>{{ $one['message'] }} <em>{{ $one['fix'] }}</em></span><span class="when">{{ $one['place'] }}</span></div>@empty<p class="empty">No contradictions, stale dates, long sentences or empty cells.</p>@endforelse
        @if ($unreached > 0 && $sources->sum('answered') > 0)<p class="muted">{{ $unreached }} passages have not answered anything yet.</p>@endif
    </section>
</x-layout>
