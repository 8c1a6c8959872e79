<table class="list"><thead><tr><th>When</th><th>Asked</th><th>About</th><th>What came of it</th><th class="num">Took</th><th class="num">Cost</th></tr></thead><tbody>
    @foreach ($asked as $one)
        <tr><td>@if ($times){{ $one->ident === '' ? 'after the call' : intdiv((int) $one->at, 60).':'.str_pad((string) ((int) $one->at % 60), 2, '0', STR_PAD_LEFT) }}@else{{ $one->created_at->setTimezone($business->tz)->format('j M, H:i') }}<br>@if ($one->call)<a href="{{ route('call', [$business, $one->call]) }}">{{ $one->call->caller_name !== '' ? $one->call->caller_name : 'the call' }}</a>@else<small class="muted">tried here</small>@endif @endif</td>
            <td>{{ $one->purpose()->words() }}</td>
            <td>@if ($one->request)<details><summary>{{ \App\Support\AdvicePage::inShort($one) }}</summary><pre class="sample">{{ \App\Support\AdvicePage::written($one) }}</pre><pre class="sample">{{ $one->answer === '' ? 'nothing came back' : $one->answer }}</pre></details>@else<span class="muted">nothing was sent</span>@endif</td>
            <td><strong>{{ \App\Models\Advice::WORDS[$one->status] ?? $one->status }}</strong>{{ $one->value === '' ? '' : ': '.$one->value }}@if ($one->why !== '')<br><small class="muted">{{ $one->why }}</small>@endif</td>
            <td class="num">{{ $one->milliseconds }} ms</td><td class="num">{{ $one->millionths === 0 ? '' : number_format($one->millionths / 1e6, 5) }}</td></tr>
    @endforeach
</tbody></table>
