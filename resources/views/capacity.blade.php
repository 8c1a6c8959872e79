@php
    $days = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
    $percent = fn (?float $share): string => $share === null ? '–' : ($share < 0.0005 && $share > 0 ? 'under 0.1 %' : number_format(100 * $share, 1).' %');
    $seconds = fn (?float $s): string => $s === null ? 'without end' : ($s < 90 ? round($s, 1).' s' : round($s / 60, 1).' min');
    $most = max(1.0, ...array_map(fn ($row) => max(array_column($row, 'calls')), $cells));
    $figure = fn (float $n): string => rtrim(rtrim(number_format($n, 1), '0'), '.');
    $unanswered = collect($cells)->flatMap(fn ($row) => $row)->filter(fn ($cell) => $cell['nobody'] !== []);
    $short = collect($cells)->flatMap(fn ($row, $hour) => collect($row)->map(fn ($cell, $day) => $cell + ['hour' => $hour, 'day' => $day]))->filter(fn ($cell) => $cell['lines'] > $asked['lines'] || $cell['people'] > $asked['people']);
@endphp
<x-layout title="Capacity" :business="$business" :agent="$agent" here="capacity">
    <header class="head"><h1>Capacity</h1><p class="sub">lines and people that {{ $business->name }}’s own calls need: {{ number_format($week->calls()) }} calls in the last {{ $week->weeks === 1 ? 'week' : $week->weeks.' weeks' }}, {{ $week->length() === null ? 'none to measure' : round($week->length()).' s long on average' }}</p></header>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    <form class="card capacity-form" method="get" action="{{ route('capacity', $business) }}">
        <div class="inline-fields">
            <x-field class="narrow" label="over" hint="weeks"><input name="weeks" type="number" min="1" max="26" value="{{ $asked['weeks'] }}"></x-field>
            <x-field label="plan for"><x-choice name="plan" :of="['most' => 'the fullest week of each hour', 'mean' => 'the mean of each hour']" :chosen="$asked['plan']"/></x-field>
            <x-field class="narrow" label="calls times"><input name="times" type="number" step="0.1" min="0.1" max="100" value="{{ $asked['times'] }}"></x-field>
            <x-field class="narrow" label="a call lasts" hint="s"><input name="seconds" type="number" min="1" max="7200" value="{{ $asked['seconds'] }}"></x-field>
            <x-field class="narrow" label="lines"><input name="lines" type="number" min="1" max="1000" value="{{ $asked['lines'] }}"></x-field>
            <x-field class="narrow" label="engaged at most" hint="%"><input name="blocked" type="number" step="0.1" min="0.1" max="50" value="{{ $asked['blocked'] }}"></x-field>
            <x-field class="narrow" label="people"><input name="people" type="number" min="1" max="1000" value="{{ $asked['people'] }}"></x-field>
            <x-field class="narrow" label="answer" hint="%"><input name="answered" type="number" min="1" max="99" value="{{ $asked['answered'] }}"></x-field>
            <x-field class="narrow" label="within" hint="s"><input name="within" type="number" min="0" max="600" value="{{ $asked['within'] }}"></x-field>
            <x-field class="narrow" label="they give up after" hint="s"><input name="patience" type="number" min="1" max="3600" value="{{ $asked['patience'] }}"></x-field>
            <x-field class="narrow" label="staff ring first" hint="s"><input name="ring" type="number" min="0" max="120" value="{{ $asked['ring'] }}"></x-field>
            <button type="submit">Work it out</button>
        </div>
    </form>
    @if ($peak === null)<p class="empty card">No calls in these weeks, so there is nothing to plan by. Choose more weeks.</p>
    @else
        <p class="case-sum {{ $short->isEmpty() ? 'good' : 'wrong' }}">@if ($short->isEmpty())<x-icon name="circle-check"/> {{ $asked['lines'] }} {{ $asked['lines'] === 1 ? 'line' : 'lines' }} and {{ $asked['people'] }} {{ $asked['people'] === 1 ? 'person' : 'people' }} are enough in every hour.@else<x-icon name="circle-alert"/> In {{ $short->count() }} {{ $short->count() === 1 ? 'hour' : 'hours' }} of the week there are too few: lines in {{ $short->filter(fn ($cell) => $cell['lines'] > $asked['lines'])->count() }}, people in {{ $short->filter(fn ($cell) => $cell['people'] > $asked['people'])->count() }}.@endif</p>
        <table class="capacity-grid"><caption class="sr">Calls in each hour of the week, and the lines and people they need</caption>
            <thead><tr><th scope="col">Hour</th>@foreach ($days as $day)<th scope="col">{{ $day }}</th>@endforeach</tr></thead>
            <tbody>@foreach ($cells as $hour => $row)<tr><th scope="row">{{ sprintf('%02d:00', $hour) }}</th>@foreach ($row as $day => $cell)
                @php $tooFew = $cell['lines'] > $asked['lines'] || $cell['people'] > $asked['people']; $words = $cell['calls'] <= 0 ? 'no calls' : $figure($cell['calls']).' calls an hour: '.$cell['lines'].' lines, '.$cell['people'].' people; staff first for '.$figure($asked['ring']).' s: '.$percent($cell['first']['toAgent']).' go on to the agent, a call rings '.$seconds($cell['first']['meanRing']).', '.$cell['linesFirst'].' lines'; $words .= $cell['nobody'] === [] ? '' : '; nobody answers '.implode(', ', $cell['nobody']); @endphp
                <td class="{{ $tooFew ? 'short' : '' }} {{ $cell['nobody'] !== [] ? 'unanswered' : '' }} {{ $cell['calls'] <= 0 ? 'none' : 'heat-'.max(1, (int) ceil(4 * $cell['calls'] / $most)) }}" tabindex="0" title="{{ $days[$day] }} {{ sprintf('%02d:00', $hour) }}: {{ $words }} (mean {{ $figure($cell['mean']) }}, at most {{ $cell['most'] }})">@if ($cell['calls'] > 0)<strong>{{ $figure($cell['calls']) }}</strong> <small>{{ $cell['lines'] }} l, {{ $cell['people'] }} p</small>@endif @if ($cell['nobody'] !== [])<span class="nobody">nobody</span>@endif</td>@endforeach</tr>@endforeach</tbody></table>
        <p class="muted">Calls an hour, then the lines (l) and people (p) they need. Red: more than there are. <em>Nobody</em>: hours in which a line is answered by nobody.</p>
        @if ($unanswered->isNotEmpty())<p class="case-sum wrong"><x-icon name="circle-alert"/> In {{ $unanswered->count() }} {{ $unanswered->count() === 1 ? 'hour' : 'hours' }} of the week nobody answers {{ $unanswered->pluck('nobody')->flatten()->unique()->implode(', ') }}; {{ $figure($unanswered->sum('mean')) }} calls a week come then.</p>@endif
        <div class="post-lower">
            <section class="card"><h2>One person more, {{ $days[$peak['day']] }} {{ sprintf('%02d:00', $peak['hour']) }}</h2><p class="muted">{{ $figure($peak['calls']) }} calls of {{ round($asked['seconds']) }} s: {{ number_format($peak['calls'] * $asked['seconds'] / 3600, 2) }} erlangs</p>
                <table class="list plain"><thead><tr><th class="num">People</th><th class="num">Answered within {{ $figure($asked['within']) }} s</th><th class="num">Give up</th><th class="num">Wait on average</th><th class="num">Busy</th><th class="num">If nobody gave up</th></tr></thead>
                    <tbody>@foreach ($one['people'] as $n => $both)<tr @if ($n === $asked['people']) class="here" aria-current="true" @endif><td class="num">{{ $n }}</td><td class="num">{{ $percent($both['patient']->answeredWithin) }}</td><td class="num">{{ $percent($both['patient']->givenUp) }}</td><td class="num">{{ $seconds($both['patient']->meanWait) }}</td><td class="num">{{ $percent($both['patient']->occupancy) }}</td><td class="num">{{ $seconds($both['waiting']->meanWait) }}</td></tr>@endforeach</tbody></table></section>
            <section class="card"><h2>Staff first, {{ $days[$peak['day']] }} {{ sprintf('%02d:00', $peak['hour']) }}</h2><p class="muted">what it costs to let {{ $asked['people'] }} {{ $asked['people'] === 1 ? 'person' : 'people' }} ring before the agent takes the call</p>
                <table class="list plain"><thead><tr><th class="num">Rings for</th><th class="num">Staff take</th><th class="num">The agent takes</th><th class="num">A call rings</th><th class="num">Lines</th></tr></thead>
                    <tbody>@foreach ($first as $n => $cost)<tr @if ((float) $n === $asked['ring']) class="here" aria-current="true" @endif><td class="num">{{ $n }} s</td><td class="num">{{ $percent(1 - $cost['toAgent']) }}</td><td class="num">{{ $percent($cost['toAgent']) }}</td><td class="num">{{ $seconds($cost['meanRing']) }}</td><td class="num">{{ $cost['lines'] }}</td></tr>@endforeach</tbody></table></section>
            <section class="card"><h2>One line more</h2><p class="muted">calls that would hear the engaged tone</p>
                <table class="list plain"><thead><tr><th class="num">Lines</th><th class="num">Engaged</th></tr></thead><tbody>@foreach ($one['lines'] as $n => $blocked)<tr @if ($n === $asked['lines']) class="here" aria-current="true" @endif><td class="num">{{ $n }}</td><td class="num">{{ $percent($blocked) }}</td></tr>@endforeach</tbody></table></section>
        </div>
        <p class="muted">Erlang B for lines, Erlang A for people whose callers give up, Erlang C for those who never do; a queue of fixed patience for staff who ring first. The agent itself takes any number of calls; people are those at the desk.</p>
    @endif
</x-layout>
