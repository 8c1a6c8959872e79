<x-layout title="Import" :business="$business" :agent="$agent" here="callers">
    <header class="head"><h1>{{ $import->name }}</h1><p class="sub">{{ number_format($import->total) }} rows{{ ($import->shape['kind'] ?? '') === 'csv' ? ', '.($import->shape['encoding'] ?? '').', parted by '.([',' => 'commas', ';' => 'semicolons', "\t" => 'tabs', '|' => 'bars'][$import->shape['delimiter'] ?? ','] ?? 'signs of its own') : ', vCard' }}</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($import->status === 'looked_at')
        <form method="post" action="{{ route('import.map', [$business, $import]) }}">@csrf
            <div class="card scroll"><table class="list mapping"><thead><tr>@foreach ($import->shape['header'] as $i => $heading)<th>{{ $heading }}<br><x-choice name="map[{{ $i }}]" aria-label="{{ $heading }} goes to" :of="$targets + $columns->mapWithKeys(static fn ($column) => ['column:'.$column->key => $column->title])->all()" :chosen="$import->mapping[$heading] ?? ''" none="nowhere"/></th>@endforeach<th>becomes</th></tr></thead>
                <tbody>@foreach ($preview as $one)<tr>@foreach ($import->shape['header'] as $heading)<td>{{ $one['row'][$heading] ?? '' }}</td>@endforeach<td>@if ($one['refused'])<span class="doubt-line">refused: {{ $one['refused'] }}</span>@else<strong>{{ $one['name'] }}</strong> {{ implode(', ', $one['numbers']) }}@if ($one['there']) <span class="badge doubt">there already</span>@endif @foreach ($one['problems'] as $problem)<br><span class="doubt-line">{{ $problem }}</span>@endforeach @endif</td></tr>@endforeach</tbody></table></div>
            <p class="go"><button name="go" value="look">Look again with these columns</button>
                <button class="primary" name="go" value="run">Bring in {{ number_format($import->total) }} rows</button></p>
            <p class="muted">Nothing is made yet. Somebody who is there by number or e-mail is not made twice: a new number is added, nothing is written over.</p>
        </form>
    @else
        <section class="card" @if (in_array($import->status, ['queued', 'running'], true)) data-progress="{{ route('import.progress', [$business, $import]) }}" @endif>
            <h2>{{ ['queued' => 'Waiting for its turn', 'running' => 'Being brought in', 'stopped' => 'Stopped', 'done' => 'Brought in', 'undone' => 'Undone'][$import->status] ?? $import->status }}</h2>
            <progress max="{{ max(1, $import->total) }}" value="{{ $import->done }}">{{ $import->done }}</progress> <span data-progress-words>{{ number_format($import->done) }} of {{ number_format($import->total) }}</span>
            @if ($import->counts)<p>{{ number_format($import->counts['made']) }} made, {{ number_format($import->counts['added_to']) }} added to, {{ number_format($import->counts['same']) }} there already, {{ number_format($import->counts['refused']) }} refused.</p>@endif
            @if ($import->status !== 'undone')<form method="post" action="{{ route('import.stop', [$business, $import]) }}">@csrf<button class="{{ in_array($import->status, ['queued', 'running'], true) ? '' : 'danger' }}">{{ in_array($import->status, ['queued', 'running'], true) ? 'Stop' : 'Undo the whole import' }}</button></form>@endif
        </section>
        @if (($import->report ?? []) !== [])<table class="list"><thead><tr><th class="num">Row</th><th>What</th><th>Why</th></tr></thead><tbody>@foreach ($import->report as $line)<tr><td class="num">{{ $line['row'] }}</td><td>{{ str_replace('_', ' ', $line['what']) }}</td><td>{{ $line['words'] }}</td></tr>@endforeach</tbody></table>@endif
    @endif
</x-layout>
