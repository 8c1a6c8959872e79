@php
    $percent = fn (float $share): string => number_format(100 * $share, 1).' %';
    $lines = ['0' => 'a clean line', '0.1' => 'a good line', '0.3' => 'a poor line', '0.6' => 'a bad line'];
    $at = fn (int $n, string $of = ''): string => route('crowd.caller', array_filter([$business, $agent, $run, $n, 'of' => $of]));
@endphp
<x-layout title="A crowd" :business="$business" :agent="$agent" here="casebook">
    <header class="head"><h1>{{ number_format($run->callers) }} callers ring {{ $run->rings }}{{ $run->against ? ' and '.$run->against : '' }}</h1>
        <p class="sub"><a href="{{ route('crowds', [$business, $agent]) }}">Crowds of {{ $agent->name }}</a> · on {{ $lines[(string) $run->noise] ?? 'a line of '.$run->noise }} · seed {{ $run->seed }} · placed {{ $run->placed_at->setTimezone($business->tz)->format('l j F, H:i') }}</p>
        <div class="actions"><a class="button" href="{{ route('call-map', [$business, $agent, 'by' => 'crowd', 'crowd' => $run->id]) }}">On the call map</a>@if ($run->goesOn())<form method="post" action="{{ route('crowd.stop', [$business, $agent, $run]) }}">@csrf<button type="submit">Stop</button></form>@endif</div></header>
    @if ($run->goesOn())<p class="card"><progress data-progress="{{ route('crowd', [$business, $agent, $run]) }}" max="{{ $run->callers }}" value="{{ $run->done }}"></progress> <span data-progress-words role="status">{{ $run->done }} of {{ $run->callers }}</span>. You may leave this page; they go on ringing.</p>@endif
    @if ($told === null)<p class="empty card">Nobody has finished a call yet.</p>
    @else
        <div class="crowd-figures">
            <div class="card"><strong class="big">{{ $percent($told['achieved_share']) }}</strong><span>got what they came for, every value right</span><small>between {{ $percent($told['achieved_interval'][0]) }} and {{ $percent($told['achieved_interval'][1]) }}, nineteen times of twenty</small></div>
            @if ($difference)<div class="card"><strong class="big {{ $difference['p'] >= 0.05 ? '' : ($difference['difference'] > 0 ? 'good' : 'wrong') }}">{{ $difference['difference'] > 0 ? '+' : '' }}{{ number_format(100 * $difference['difference'], 1) }}</strong><span>points beside {{ $run->against }} ({{ $percent($other['achieved_share']) }})</span><small>{{ count($changed) === 1 ? 'one caller' : count($changed).' callers' }} came out otherwise; @if ($difference['p'] < 0.05)chance alone does that {{ $difference['p'] < 0.001 ? 'less than once in a thousand' : round(100 * $difference['p'], 1).' times in a hundred' }}@else that may be chance (p {{ number_format($difference['p'], 2) }})@endif</small></div>@endif
            <div class="card"><strong class="big">{{ $percent(array_sum($told['fields']) === 0 ? 1 : $told['fields']['right'] / array_sum($told['fields'])) }}</strong><span>of values as they were meant</span><small>{{ $told['fields']['wrong'] }} wrong, {{ $told['fields']['missing'] }} asked for and not taken, of {{ array_sum($told['fields']) }}</small></div>
            <div class="card"><strong class="big">{{ number_format($told['turns'], 1) }}</strong><span>turns of the caller a call, {{ number_format($told['seconds']) }} s</span><small>{{ number_format($told['repeats'], 2) }} questions put again a call</small></div>
        </div>
        <div class="crowd-body">
            <section class="card" aria-labelledby="failures-title"><h2 id="failures-title">What went wrong <span class="figure">{{ count($told['failures']) }}</span></h2>
                @if ($told['failures'] === [])<p class="empty">Nothing: every caller got what they came for, with every value right.</p>
                @else<table class="list plain"><thead><tr><th class="num">Callers</th><th>Step</th><th>What</th><td></td></tr></thead><tbody>@foreach (array_slice($told['failures'], 0, 25) as $failure)<tr><td class="num">{{ $failure['count'] }}</td><td>@if ($failure['step'] !== '')<a href="{{ route('prompt-book', [$business, $agent]) }}#step-{{ $failure['step'] }}">{{ $failure['step'] }}</a>@else<span class="muted">anywhere</span>@endif</td><td>{{ $failure['cause'] }}</td><td class="nowrap"><a href="{{ $at($failure['call']) }}">caller {{ $failure['call'] }}</a></td></tr>@endforeach</tbody></table>@endif</section>
            <section class="card" aria-labelledby="tempers-title"><h2 id="tempers-title">By temper</h2>
                @include('parts.crowd-slices', ['slices' => $told['by_temper'], 'what' => 'Temper'])
                @if ($run->noise > 0 && count($told['by_line'] ?? []) > 1)<h2>By line</h2>@include('parts.crowd-slices', ['slices' => $told['by_line'], 'what' => 'Line'])<p class="muted">One in four has a clean line, and one in four a line twice as bad.</p>@endif</section>
            <section class="card" aria-labelledby="ends-title"><h2 id="ends-title">How calls ended</h2><table class="list plain"><tbody>@foreach (array_slice($told['outcomes'], 0, 12, true) as $outcome => $count)<tr><td>{{ $outcome === '' ? 'without an outcome' : $outcome }}</td><td class="num">{{ $count }}</td>@if ($other)<td class="num muted" title="{{ $run->against }}">{{ $other['outcomes'][$outcome] ?? 0 }}</td>@endif</tr>@endforeach</tbody></table></section>
            @if ($changed)<section class="card" aria-labelledby="changed-title"><h2 id="changed-title">Who came out otherwise</h2><p class="muted">{{ count(array_filter($changed)) }} only with {{ $run->rings }}, {{ count($changed) - count(array_filter($changed)) }} only with {{ $run->against }}.</p><ul class="changed-callers">@foreach (array_slice($changed, 0, 40, true) as $n => $better)<li class="{{ $better ? 'good' : 'wrong' }}"><a href="{{ $at($n) }}">caller {{ $n }}</a>: {{ $better ? 'got it' : 'did not' }} (<a href="{{ $at($n, 'against') }}">{{ $run->against }}</a>)</li>@endforeach</ul></section>@endif
        </div>
    @endif
</x-layout>
