@php
    $goes = fn (array $design): string => match ($design['reach']) {
        'request' => $design['request']['method'].' '.preg_replace('~^https?://~', '', $design['request']['url']),
        'callers' => 'the callers, by '.implode(', ', array_column($design['table']['by'], 'column')),
        default => 'the table '.$design['table']['name'].', by '.implode(', ', array_column($design['table']['by'], 'column')),
    };
    $seconds = fn (int $ms): string => $ms < 950 ? $ms.' ms' : number_format($ms / 1000, 1).' s';
@endphp
<x-layout title="Errands" :business="$business" :agent="$agent" here="errands">
    <header class="head"><h1>Errands</h1>
        <p class="sub">what agents look up and have done in other systems while the caller waits</p>
        <div class="actions"><a class="button primary" href="{{ route('errand.new', $business) }}">New errand</a> @if ($errands->isNotEmpty())<a class="button" href="{{ route('errands.export', $business) }}">Export as OpenAPI</a>@endif</div>
    </header>
    <x-at-once :business="$business" :area="\App\Support\AtOnce::Errands"/>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    @if ($errands->isEmpty())<p class="empty card">No errands yet, so agents can only take messages about what stands in other systems. Bring in the description of a system below and make one of its operations an errand, or write one.</p>
    @else
        <table class="list" data-rows><thead><tr><th>Errand</th><th>Goes to</th><th>Needs</th><th>Reads</th><th class="num">Waits up to</th><th class="num">Took</th><th class="num">Failed</th><th>Used at</th></tr></thead>
            <tbody>@foreach ($errands as $errand)
                @php $design = $errand->design; $figure = $figures[$errand->key] ?? null; $used = $uses[$errand->key] ?? []; $reads = array_column($design['answer']['values'], 'label'); @endphp
                <tr data-row tabindex="-1" data-href="{{ route('errand', [$business, $errand]) }}">
                    <td><a href="{{ route('errand', [$business, $errand]) }}"><strong>{{ $design['label'] }}</strong></a>@if ($design['changes'] ?? false) <span class="tag">changes something</span>@endif<br><small class="mono">{{ $errand->key }}</small></td>
                    <td>{{ $design['system'] }}<br><small class="mono cut" title="{{ $goes($design) }}">{{ $goes($design) }}</small></td>
                    <td>{{ implode(', ', array_column($design['parameters'], 'label')) ?: 'nothing' }}</td>
                    <td>{{ implode(', ', array_slice($reads, 0, 4)) }}{{ count($reads) > 4 ? ' and '.(count($reads) - 4).' more' : '' }}</td>
                    <td class="num">{{ rtrim(rtrim(number_format($design['seconds'], 1), '0'), '.') }} s</td>
                    <td class="num" @if ($figure) title="half of them within {{ $seconds($figure['p50']) }}, nineteen of twenty within {{ $seconds($figure['p95']) }}" @endif>{{ $figure ? $seconds($figure['p50']) : '' }}</td>
                    <td class="num">{{ $figure ? $figure['failed'].' of '.$figure['runs'] : '' }}</td>
                    <td>@forelse (array_slice($used, 0, 3) as $one)<a href="{{ route('prompt-book', [$business, $one['agent']]) }}#step-{{ $one['step'] }}">{{ $one['name'] }}: {{ $one['step'] }}</a>@if (! $loop->last)<br>@endif @empty<span class="muted">no step yet</span>@endforelse</td></tr>
            @endforeach</tbody></table>
    @endif
    <div class="post-lower errand-lower">
        <section class="card" id="described"><h2>From a description</h2>
            <form method="post" action="{{ route('errands.described', $business) }}" enctype="multipart/form-data" class="stack">@csrf
                <x-field class="wide" label="an OpenAPI document" hint="3.0 or 3.1, JSON or YAML"><input type="file" name="file" accept=".json,.yaml,.yml,application/json"></x-field>
                <x-field class="wide" label="or its address" hint="on a host that may be asked"><input name="url" value="{{ old('url', $business->errand_hosts ? 'https://'.$business->errand_hosts[0].'/openapi.json' : '') }}" placeholder="https://yard.pellbrook.example/openapi.json"></x-field>
                <div class="go"><button type="submit">Read it</button></div></form>
            @if (session('description_faults'))<div class="muted"><p>The document breaks the rules of its format in places; what is usable is below.</p><ul class="plain-list">@foreach (session('description_faults') as $fault)<li class="mono">{{ $fault }}</li>@endforeach</ul></div>@endif
            @if ($described)
                <form method="post" action="{{ route('errands.take', $business) }}">@csrf<textarea name="description" hidden>{{ $description }}</textarea><input type="hidden" name="from" value="{{ session('described_from', '') }}">
                    <ul class="operations">@foreach ($described as $one)<li><span><strong>{{ $one['summary'] }}</strong><br><small class="mono">{{ $one['method'] }} {{ $one['path'] }}</small></span><button type="submit" name="operation" value="{{ $one['key'] }}">Make an errand of it</button></li>@endforeach</ul></form>
            @endif
        </section>
        <section class="card"><h2>Hosts that may be asked</h2>
            <form method="post" action="{{ route('errands.hosts', $business) }}" class="stack">@csrf @method('put')
                <x-field class="wide" label="one a line" hint="all others are refused; private addresses only where the configuration allows them"><textarea name="hosts" rows="3" spellcheck="false">{{ old('hosts', implode("\n", $business->errand_hosts ?? [])) }}</textarea></x-field>
                <div class="go"><button type="submit">Keep</button></div></form></section>
        <section class="card"><h2>Tables kept here</h2>
            @forelse ($tables as $table)<div class="line"><span class="what"><strong>{{ $table->name }}</strong></span><span>{{ count($table->rows) }} rows: {{ implode(', ', $table->columns) }}</span><form method="post" action="{{ route('errands.table.delete', [$business, $table]) }}">@csrf @method('delete')<button type="submit" class="bare" title="Takes out the table and its {{ count($table->rows) }} rows"><x-icon name="x"/><span class="sr">Take out {{ $table->name }}</span></button></form></div>@empty<p class="empty">None. A price list or a list of memberships from a spreadsheet can be looked up like a system.</p>@endforelse
            <form method="post" action="{{ route('errands.table', $business) }}" enctype="multipart/form-data" class="stack">@csrf
                <div class="inline-fields"><x-field label="CSV or XLSX"><input type="file" name="file" accept=".csv,.tsv,.xlsx" required></x-field><x-field label="called" hint="as the file"><input name="name"></x-field></div>
                <div class="go"><button type="submit">Bring it in</button></div></form></section>
        @if ($systems)
            <section class="card"><h2>Stand-in systems</h2><p class="muted">Made up, and asked over HTTP like real ones. Tell one to be slow or to fail, and ring.</p>
                @foreach ($systems as $one)
                    <form method="post" action="{{ route('errands.stand-in', [$business, $one['name']]) }}" class="inline-fields stand-in">@csrf
                        <strong>{{ $one['called'] }}</strong>
                        <label><span class="sr">{{ $one['called'] }} </span><x-choice name="mode" :of="\App\Models\StandIn::MODES" :chosen="$one['state']->mode"/></label>
                        <label>by <input name="slow_ms" size="5" inputmode="numeric" value="{{ $one['state']->slow_ms }}"> ms</label><button type="submit">Set</button>
                    </form>
                @endforeach</section>
        @endif
    </div>
</x-layout>
