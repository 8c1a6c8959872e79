@php
    $failing = $cases->filter(fn ($case) => $case->failing());
    $show = fn (mixed $value): string => is_scalar($value) ? (is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value) : (is_array($value) ? implode(' ', array_filter(\Illuminate\Support\Arr::flatten($value), is_scalar(...))) : '');
@endphp
<x-layout title="Casebook" :business="$business" :agent="$agent" here="casebook">
    <x-agent-head :business="$business" :agent="$agent" here="casebook" title="Casebook" sub="Calls that were kept, with what must come out. They are rung on the draft after every change; nobody outside is asked."/>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    @if ($cases->isEmpty())<p class="empty card">No cases yet. Ring the draft, and keep a call that went as it should: open it and press <strong>Keep as a case</strong>. From then on a change that breaks it is seen here, and named.</p>
    @else
        <p class="case-sum {{ $failing->isEmpty() ? 'good' : 'wrong' }}" role="status">@if ($failing->isEmpty())<x-icon name="circle-check"/> All {{ $cases->count() }} cases pass on the draft.@else<x-icon name="circle-alert"/> {{ $failing->count() }} of {{ $cases->count() }} cases {{ $failing->count() === 1 ? 'fails' : 'fail' }} on the draft.@endif</p>
        <table class="list" data-rows><thead><tr><th>Case</th><th>On the draft</th>@if ($failing->isNotEmpty())<th>What does not hold</th><th>Broke with</th>@endif<th class="num">Lines</th><th>Kept from</th></tr></thead>
            <tbody>@foreach ($cases->sortBy(fn ($case) => [$case->failing() ? 0 : 1, $case->key]) as $case)
                @php $kept = $case->kept; @endphp
                <tr data-row tabindex="-1" data-href="{{ route('case', [$business, $agent, $case]) }}" class="{{ $case->failing() ? 'failing' : '' }}">
                    <td><a href="{{ route('case', [$business, $agent, $case]) }}"><strong>{{ $kept['title'] }}</strong></a>@if ($kept['must'] ?? false) <span class="tag">must pass</span>@endif<br><small class="mono">{{ $case->key }}</small></td>
                    <td>@if ($case->result === null)<span class="muted">not rung yet</span>@elseif ($case->result['passed'])<span class="good"><x-icon name="circle-check"/> passes</span>@else<span class="wrong"><x-icon name="circle-alert"/> fails</span>@endif</td>
                    @if ($failing->isNotEmpty())<td>@foreach (array_slice($case->result['failures'] ?? [], 0, 2) as $failure){{ \Ringo\Rehearsal\Casebook\Verdict::inWords($failure['expect'], $show($failure['wanted']), $show($failure['got'])) }}@if (! $loop->last); @endif @endforeach @if (count($case->result['failures'] ?? []) > 2)and {{ count($case->result['failures']) - 2 }} more @endif</td>
                    <td>@if ($case->result['broke'] ?? null)“{{ $case->result['broke']['words'] }}”@if ($case->result['broke']['by'])<br><small>by {{ $case->result['broke']['by'] }}</small>@endif @endif</td>@endif
                    <td class="num">{{ count($kept['lines']) }}</td>
                    <td>@if ($case->call)<a href="{{ route('call', [$business, $case->call]) }}">{{ $case->call->placedAt()->format('j M, H:i') }}</a>@else<span class="muted">a file</span>@endif</td></tr>
            @endforeach</tbody></table>
    @endif
    <div class="casebook-tools">
        @if ($cases->isNotEmpty())<form method="post" action="{{ route('casebook.run', [$business, $agent]) }}">@csrf<button type="submit">Ring all again</button></form> <a class="button" href="{{ route('casebook.export', [$business, $agent]) }}"><x-icon name="download"/> Export</a>@endif
        <form method="post" action="{{ route('casebook.import', [$business, $agent]) }}" enctype="multipart/form-data" class="inline-fields">@csrf<x-field label="a casebook from a file"><input type="file" name="file" accept=".json,application/json" required></x-field><button type="submit">Bring it in</button></form>
    </div>
</x-layout>
