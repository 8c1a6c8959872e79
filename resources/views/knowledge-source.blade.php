<x-layout :title="$source->name" :business="$business" :agent="$agent" here="knowledge">
    <header class="head"><h1>{{ $source->name }}</h1>
        <div class="actions">@if ($source->url)<form method="post" action="{{ route('knowledge.fetch', $business) }}">@csrf<input type="hidden" name="url" value="{{ $source->url }}"><button type="submit">Fetch again</button></form>@endif
            <form method="post" action="{{ route('knowledge.delete', [$business, $source]) }}">@csrf @method('delete')<button type="submit" class="danger">Take out</button></form></div>
        <p class="sub">version {{ $source->version }} · {{ $source->pieces }} pieces, {{ number_format($source->words) }} words · answered {{ $source->answered }} {{ $source->answered === 1 ? 'time' : 'times' }}@if ($source->fetched_at) · fetched {{ $source->fetched_at->setTimezone($business->tz)->format('j M, H:i') }} from {{ $source->url }}@endif · <a href="{{ route('knowledge', $business) }}">all sources</a></p></header>
    @error('text')<p class="error" role="alert">{{ $message }}</p>@enderror
    @if ($source->last_change && ($source->last_change['added'] || $source->last_change['removed']))
        <section class="card"><h2>What changed with version {{ $source->version }}</h2>@foreach ($source->last_change['removed'] as $line)<p class="gone">− {{ $line }}</p>@endforeach @foreach ($source->last_change['added'] as $line)<p class="came">+ {{ $line }}</p>@endforeach</section>
    @endif
    <div class="source-body">
        <section aria-labelledby="pieces-title"><h2 id="pieces-title">As it is answered from</h2>
            @foreach ($tables as $table)<div class="card passage"><h3>{{ $table->heading !== '' ? $table->heading : $source->name }} <small>table</small></h3><div class="scroll"><table class="list"><thead><tr>@foreach ($table->columns as $column)<th>{{ $column }}</th>@endforeach</tr></thead><tbody>@foreach (array_slice($table->rows, 0, 40) as $row)<tr>@foreach ($row as $cell)<td>{{ $cell }}</td>@endforeach</tr>@endforeach</tbody></table></div></div>@endforeach
            @foreach ($passages as $passage)@php $seconds = $spoken->seconds(implode(' ', $passage->sentences)); @endphp<div class="card passage"><h3>{{ $passage->heading !== '' ? $passage->heading : 'without a heading' }} <small>{{ $passage->kind === 'qa' ? 'question with answer · ' : '' }}{{ number_format($seconds, 0) }} s · answered {{ $passage->answered }}</small></h3><p>{{ implode(' ', $passage->sentences) }}</p></div>@endforeach
            @if ($passages->hasPages())<nav class="pages" aria-label="Pages">@if ($passages->previousPageUrl())<a href="{{ $passages->previousPageUrl() }}">Page before</a>@endif<span>page {{ $passages->currentPage() }} of {{ $passages->lastPage() }}</span>@if ($passages->nextPageUrl())<a href="{{ $passages->nextPageUrl() }}">Next page</a>@endif</nav>@endif
        </section>
        @if (! $source->url && strlen($source->text) < 400000)<section aria-labelledby="text-title"><h2 id="text-title">As it is written</h2><form method="post" action="{{ route('knowledge.update', [$business, $source]) }}" class="stack">@csrf @method('put')<textarea name="text" rows="24" class="source-text" spellcheck="true" aria-labelledby="text-title">{{ old('text', $source->text) }}</textarea><div class="go"><button type="submit" class="primary">Keep the change</button></div></form></section>@endif
    </div>
</x-layout>
