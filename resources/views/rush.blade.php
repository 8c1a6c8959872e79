@php $ends = $rush->sums['ends'] ?? []; arsort($ends); $all = max(1, array_sum($ends)); @endphp
<x-layout title="Many at once" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>{{ $rush->callers }} callers within {{ $rush->minutes }} minutes</h1><p class="sub"><a href="{{ route('exchange', [$business, 'line' => $line->key]) }}">Exchange</a> · to <a href="{{ route('line', [$business, $line]) }}">{{ $line->name }}</a> from {{ $rush->placed_at->setTimezone($business->tz)->format('l j F, H:i') }} on · seed {{ $rush->seed }}</p>
        @if ($rush->goesOn())<div class="actions"><form method="post" action="{{ route('exchange.rush.stop', [$business, $rush]) }}">@csrf<button>Stop</button></form></div>@endif</header>
    @if ($rush->goesOn())<p class="card"><progress data-progress="{{ route('exchange.rush', [$business, $rush]) }}" max="{{ $rush->callers }}" value="{{ $rush->done }}"></progress> <span data-progress-words role="status">{{ $rush->done }} of {{ $rush->callers }}</span>. You may leave this page; they go on ringing.</p>@endif
    @if ($ends === [])<p class="card empty">Nobody has rung yet.</p>
    @else
        <div class="crowd-figures">
            <div class="card"><strong class="big">{{ $rush->sums['most'] }}</strong><span>calls at once at most</span><small>the line takes {{ $line->document['at_once'] ?? 3 }}</small></div>
            <div class="card"><strong class="big {{ ($ends[\Ringo\Dialogue\Ending::FULL] ?? 0) > 0 ? 'wrong' : 'good' }}">{{ $ends[\Ringo\Dialogue\Ending::FULL] ?? 0 }}</strong><span>found all lines taken</span><small>{{ number_format(100 * ($ends[\Ringo\Dialogue\Ending::FULL] ?? 0) / $all, 1) }} % of {{ $all }}; <a href="{{ route('capacity', $business) }}">Capacity</a> reckons the lines needed</small></div>
            <div class="card"><strong class="big">{{ array_sum(array_filter($ends, fn ($outcome) => str_starts_with($outcome, 'answered by'), ARRAY_FILTER_USE_KEY)) }}</strong><span>answered by staff</span><small>before the agent</small></div>
        </div>
        <section class="card"><h2>How they ended</h2><table class="list plain"><tbody>@foreach ($ends as $outcome => $n)<tr><td><a href="{{ route('calls', [$business, 'outcome' => $outcome]) }}">{{ $outcome }}</a></td><td class="num">{{ $n }}</td></tr>@endforeach</tbody></table></section>
    @endif
</x-layout>
