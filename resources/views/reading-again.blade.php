<x-layout title="Reading past calls" :business="$business" :agent="$agent" here="sheet">
    <header class="head"><h1>Past calls, read with the changed sheet</h1>
        <p class="sub">{{ $agent->name }} · <a href="{{ route('sheet', [$business, $agent]) }}">back to the sheet</a></p>
        <div class="actions">
            @if (in_array($again->status, ['queued', 'running'], true))<form method="post" action="{{ route('again.stop', [$business, $agent, $again]) }}">@csrf<button type="submit">Stop</button></form>@endif
            @if ($again->status === 'ready' && $rows->total() > 0)<form method="post" action="{{ route('again.apply', [$business, $agent, $again]) }}">@csrf<button type="submit" class="primary">Change these {{ $rows->total() }} records</button></form>@endif
        </div>
    </header>
    @if (in_array($again->status, ['queued', 'running'], true))
        <p class="card"><progress data-progress="{{ route('again', [$business, $agent, $again]) }}" max="{{ max(1, $again->total) }}" value="{{ $again->done }}"></progress> <span data-progress-words role="status">{{ $again->done }} of {{ $again->total }}</span>. You may leave this page; the work goes on.</p>
    @else
        <p class="notice">@if ($again->status === 'stopped') Stopped after {{ $again->done }} of {{ $again->total }} calls. Nothing was changed. @elseif ($again->status === 'applied') The difference below was applied. @else {{ $again->done }} calls were read. {{ $rows->total() === 0 ? 'No record would change.' : $rows->total().' records would change; nothing has been changed yet.' }} Values people have checked are left alone. @endif</p>
        @if ($rows->isNotEmpty())
            <table class="list"><thead><tr><th>Call</th><th>Field</th><th>Was</th><th>Would be</th></tr></thead>
                <tbody>@foreach ($rows as $row)@foreach ($row->changes as $field => $change)<tr><td>@if ($loop->first)<a href="{{ route('call', [$business, $row->call]) }}">{{ $row->call->caller_name }}</a><br><small>{{ $row->call->placedAt()->format('j M, H:i') }}</small>@endif</td><td>{{ $fields[$field]->title ?? str_replace('_', ' ', $field) }}</td><td>{!! $change['was'] === '' ? '<span class="muted">nothing</span>' : e($change['was']) !!}</td><td><strong>{{ $change['is'] === '' ? 'nothing' : $change['is'] }}</strong></td></tr>@endforeach @endforeach</tbody></table>
            @if ($rows->hasPages())<nav class="pages" aria-label="Pages">@if ($rows->previousPageUrl())<a href="{{ $rows->previousPageUrl() }}">Page before</a>@endif<span>page {{ $rows->currentPage() }} of {{ $rows->lastPage() }}</span>@if ($rows->nextPageUrl())<a href="{{ $rows->nextPageUrl() }}">Next page</a>@endif</nav>@endif
        @endif
    @endif
</x-layout>
