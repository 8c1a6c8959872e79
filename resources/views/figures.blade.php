@php
    $show = fn (?float $value, int $places = 1): string => $value === null ? '–' : rtrim(rtrim(number_format($value, $places), '0'), '.');
    $percent = fn (?float $share): string => $share === null ? '–' : round(100 * $share).' %';
    $length = fn (?float $s): string => $s === null ? '–' : intdiv((int) round($s), 60).':'.str_pad((string) ((int) round($s) % 60), 2, '0', STR_PAD_LEFT);
    $calls = fn (array $filter): string => route('calls', [$business, ...array_filter(['since' => $from, 'until' => $to, 'agent' => $of?->key]), ...$filter]);
    $days = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
    $hours = array_keys($now->by('hour'));
    $first = min(8, ...array_map(fn ($key) => (int) substr($key, 2), $hours ?: ['1-08'])); $last = max(17, ...array_map(fn ($key) => (int) substr($key, 2), $hours ?: ['1-17']));
    $fullest = max(1, ...array_values($now->by('hour')) ?: [1]);
    $busiest = array_key_first($now->by('hour'));
    $all = $now->n('call'); $was = $before->n('call');
    $long = fn (string $date): string => \Illuminate\Support\Carbon::parse($date)->format('j F Y');
    $weeks = max(1, $span = \Illuminate\Support\Carbon::parse($from)->diffInDays(\Illuminate\Support\Carbon::parse($to)) + 1) / 7;
    $tiles = [
        ['Calls', number_format($all), $was === 0 ? null : number_format($was), 'calls that ended in these days; rehearsals are not counted', $calls([])],
        [\Ringo\Figures\Handled::Agent->inWords(), $percent($now->share('handled', 'agent')), $percent($before->share('handled', 'agent')), 'of all calls: no person took it, none was rung for, and the caller did not hang up or fall silent', $calls(['handled' => 'agent'])],
        [\Ringo\Figures\Handled::Staff->inWords(), $percent($now->share('handled', 'staff')), $percent($before->share('handled', 'staff')), 'of all calls: a person took it', $calls(['handled' => 'staff'])],
        [\Ringo\Figures\Handled::Nobody->inWords(), $percent($now->share('handled', 'nobody')), $percent($before->share('handled', 'nobody')), 'of all calls: a telephone rang for it and was not answered', $calls(['handled' => 'nobody'])],
        [\Ringo\Figures\Handled::GivenUp->inWords(), $percent($now->share('handled', 'given_up')), $percent($before->share('handled', 'given_up')), 'of all calls: the caller hung up, fell silent, or the call went over a limit', $calls(['handled' => 'given_up'])],
        ['Length', $length($now->mean('call')), $length($before->mean('call')), 'minutes and seconds on average, from the first word to the last', $calls(['sort' => 'length', 'dir' => 'desc'])],
        ['Turns of the caller', $show($now->mean('turns')), $show($before->mean('turns')), 'what the caller said or pressed, on average', null],
        ['Until a person answered', $now->mean('waited') === null ? '–' : $show($now->mean('waited')).' s', $before->mean('waited') === null ? '–' : $show($before->mean('waited')).' s', 'seconds from the transfer to the answer, on average, of those that were taken', $calls(['handled' => 'staff'])],
    ];
    $kinds = ['known' => 'known', 'unknown' => 'unknown', 'withheld' => 'withheld', 'shared' => 'shared number'];
@endphp
<x-layout title="Figures" :business="$business" :agent="$agent" here="figures">
    <header class="head"><h1>Figures</h1><p class="sub">{{ $of ? $of->name.' at '.$business->name : $business->name }}, {{ $long($from) }} to {{ $long($to) }}, beside the {{ (int) $span }} days before</p>
        <div class="actions"><a class="button" href="{{ route('figures.csv', [$business, 'from' => $from, 'to' => $to, 'of' => $of?->key]) }}"><x-icon name="download"/> All sums as CSV</a></div></header>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    <form class="filter" action="{{ route('figures', $business) }}">
        <label for="s-from">From</label><input id="s-from" type="date" name="from" value="{{ $from }}">
        <label for="s-to">to</label><input id="s-to" type="date" name="to" value="{{ $to }}">
        <label for="s-of">Agent</label><select id="s-of" name="of"><option value="">all</option>@foreach ($agents as $one)<option value="{{ $one->key }}" @selected($of?->id === $one->id)>{{ $one->name }}</option>@endforeach</select>
        <button type="submit">Show</button>
        @foreach ([7 => 'a week', 28 => 'four weeks', 91 => 'a quarter', 365 => 'a year'] as $n => $words)<a href="{{ route('figures', array_filter([$business, 'from' => \Illuminate\Support\Carbon::now($business->tz)->subDays($n - 1)->format('Y-m-d'), 'to' => \Illuminate\Support\Carbon::now($business->tz)->format('Y-m-d'), 'of' => $of?->key])) }}">{{ $words }}</a>@endforeach
    </form>
    @if ($all === 0)<p class="empty card">No calls in these days. Choose others, or ring an agent: calls that are not rehearsals are counted as they end.</p>
    @else
    <div class="figure-tiles">@foreach ($tiles as [$name, $value, $earlier, $how, $link])<div class="card" title="{{ $how }}"><span class="name">{{ $name }}</span><strong>@if ($link)<a href="{{ $link }}">{{ $value }}</a>@else{{ $value }}@endif</strong><small>{{ $earlier === null || $earlier === '–' ? 'nothing before' : 'before: '.$earlier }}</small></div>@endforeach</div>
    <div class="figure-body">
        <section class="card" aria-labelledby="g-week"><h2 id="g-week">When they call</h2><p class="muted">Calls of each hour of the week, a week on average. Busiest: {{ $days[(int) $busiest[0]] }} at {{ substr($busiest, 2) }}:00.</p>
            <table class="capacity-grid small"><caption class="sr">Calls of each hour of the week, a week on average</caption><thead><tr><th scope="col">Hour</th>@foreach ($days as $day)<th scope="col">{{ substr($day, 0, 3) }}</th>@endforeach</tr></thead><tbody>
            @for ($hour = $first; $hour <= $last; $hour++)<tr><th scope="row">{{ sprintf('%02d', $hour) }}</th>@foreach ($days as $d => $day)@php $n = $now->n('hour', sprintf('%d-%02d', $d, $hour)); @endphp
<td class="{{ $n === 0 ? 'none' : 'heat-'.max(1, (int) ceil(4 * $n / $fullest)) }}" title="{{ $day }} {{ sprintf('%02d:00', $hour) }}: {{ $n }} {{ $n === 1 ? 'call' : 'calls' }} in these days">{{ $n === 0 ? '' : $show($n / $weeks) }}</td>@endforeach</tr>@endfor</tbody></table></section>
        @foreach ([['outcome', 'How calls ended', fn ($key) => $key === '' ? 'without an outcome' : $key, fn ($key) => $calls(['outcome' => $key])], ['topic', 'What they came for', fn ($key) => str_replace('_', ' ', $key), fn ($key) => $calls(['topic' => $key])], ['caller', 'Who called', fn ($key) => $kinds[$key] ?? str_replace('_', ' ', $key), null], ['release', 'By release', fn ($key) => "release {$key}", fn ($key) => $calls(['release' => $key])]] as [$what, $title, $name, $link])
            @if ($now->n($what) > 0 && ($what !== 'release' || count($now->by($what)) + count($before->by($what)) > 2))<section class="card" aria-labelledby="g-{{ $what }}"><h2 id="g-{{ $what }}">{{ $title }}</h2>
                <table class="list plain"><thead><tr><th></th><th class="num">Calls</th><th class="num">Share</th><th class="num">Before</th><th></th></tr></thead><tbody>@foreach (array_slice($now->by($what), 0, 12, true) as $key => $n)<tr><td>@if ($link)<a href="{{ $link((string) $key) }}">{{ $name((string) $key) }}</a>@else{{ $name((string) $key) }}@endif</td><td class="num">{{ number_format($n) }}</td><td class="num">{{ $percent($now->share($what, (string) $key)) }}</td><td class="num muted">{{ $percent($before->share($what, (string) $key)) }}</td><td><svg class="share" viewBox="0 0 100 10" aria-hidden="true" preserveAspectRatio="none"><rect width="100" height="10" class="all"/><rect width="{{ round(100 * $now->share($what, (string) $key), 1) }}" height="10" class="part"/></svg></td></tr>@endforeach</tbody></table></section>@endif
        @endforeach
        <section class="card" aria-labelledby="g-days"><h2 id="g-days">Calls {{ $bars['each'] === 1 ? 'a day' : 'in each '.$bars['each'].' days' }}</h2>
            <svg class="bars" viewBox="0 0 420 112" role="img" aria-label="{{ implode(', ', array_map(fn ($bar) => $bar['from'].': '.$bar['n'], $bars['of'])) }}">@foreach ($bars['of'] as $i => $bar)<rect x="{{ round($i * 420 / count($bars['of']) + 1, 1) }}" y="{{ round(88 - 78 * $bar['n'] / $bars['most'], 1) }}" width="{{ round(420 / count($bars['of']) - 2, 1) }}" height="{{ max(0.5, round(78 * $bar['n'] / $bars['most'], 1)) }}" rx="1.5" class="bar"><title>{{ $bar['from'] }}: {{ $bar['n'] }}</title></rect>@endforeach
                <text x="0" y="104" class="bar-day">{{ $bars['of'][0]['from'] }}</text><text x="420" y="104" text-anchor="end" class="bar-day">{{ $bars['of'][count($bars['of']) - 1]['from'] }}</text><text x="0" y="8" class="bar-n">at most {{ $bars['most'] }}</text></svg></section>
        <section class="card" aria-labelledby="g-records"><h2 id="g-records">Records</h2>
            <p>{{ $percent($now->share('record', 'complete')) }} complete and sure @if ($before->n('record') > 0)<span class="muted">(before: {{ $percent($before->share('record', 'complete')) }})</span>@endif, {{ $percent($now->share('record', 'doubtful')) }} with a <a href="{{ $calls(['check' => 1]) }}">value in doubt</a>, {{ $percent($now->share('record', 'missing')) }} without a value that is required.</p>
            @if ($now->n('checked') > 0)<table class="list plain"><thead><tr><th>Field</th><th class="num">Checked</th><th class="num">Was right</th></tr></thead><tbody>@foreach (array_slice($now->by('checked'), 0, 10, true) as $field => $n)<tr><td>{{ str_replace('_', ' ', (string) $field) }}</td><td class="num">{{ $n }}</td><td class="num">{{ $percent($now->total('checked', (string) $field) / $n) }}</td></tr>@endforeach</tbody></table>@else<p class="muted">No value was checked by anybody, so how often they are right is not known. <a href="{{ route('records', $business) }}">Check some</a>.</p>@endif</section>
        @if ($givenUpAt !== [])<section class="card" aria-labelledby="g-given"><h2 id="g-given">Where callers of {{ $covered->name }} gave up</h2>
            <table class="list plain"><thead><tr><th>Step</th><th class="num">Gave up</th><th class="num">Of those who came to it</th></tr></thead><tbody>@foreach ($givenUpAt as $one)<tr><td>@can('design', $business)<a href="{{ route('prompt-book', [$business, $covered]) }}#step-{{ $one['step'] }}">{{ $one['step'] }}</a>@else{{ $one['step'] }}@endcan</td><td class="num">{{ $one['n'] }}</td><td class="num">{{ $percent($one['n'] / max(1, $one['of'])) }}</td></tr>@endforeach</tbody></table></section>@endif
        @can('design', $business)
        @if ($covered && ($unused !== [] || $unaskedCount > 0))<section class="card" aria-labelledby="g-unused"><h2 id="g-unused">What nobody came to <span class="figure">{{ count($unused) }}</span></h2>
            @if ($unused !== [])<p class="muted">Of {{ $covered->name }}’s draft, in these days. What is not needed can be taken out where the link leads.</p><ul class="unused">@foreach (array_slice($unused, 0, 12) as $one)<li><a href="{{ route('prompt-book', [$business, $covered]) }}#step-{{ $one['step'] }}">{{ str_replace('_', ' ', $one['key']) }}</a> <small class="tag">{{ $one['kind'] }}</small> <span class="muted">{{ $one['why'] }}{{ $one['behind'] > 0 ? ', nor to '.($one['behind'] === 1 ? 'a step' : $one['behind'].' steps').' after it' : '' }}</span></li>@endforeach</ul>@if (count($unused) > 12)<p class="muted">and {{ count($unused) - 12 }} more</p>@endif @endif
            @if ($unaskedCount > 0)<h3>Knowledge nobody asked for, ever <span class="figure">{{ $unaskedCount }}</span></h3><ul class="unused">@foreach ($unasked as $one)<li><a href="{{ route('knowledge.source', [$business, $one->source]) }}">{{ $one->heading ?: $one->source->name }}</a> <span class="muted">{{ $one->heading ? $one->source->name : '' }}</span></li>@endforeach</ul>@endif</section>@endif
        @endcan
        <section class="card" aria-labelledby="g-came"><h2 id="g-came">What came of them</h2>
            <table class="list plain"><thead><tr><th></th><th class="num">Now</th><th class="num">Before</th></tr></thead><tbody>
                <tr><td>Booked</td><td class="num">{{ $now->n('booking', 'booked') }}</td><td class="num muted">{{ $before->n('booking', 'booked') }}</td></tr>
                <tr><td>Booked and cancelled since</td><td class="num">{{ $now->n('booking', 'cancelled') }}</td><td class="num muted">{{ $before->n('booking', 'cancelled') }}</td></tr>
                <tr><td>Questions nothing answered</td><td class="num">{{ $now->n('question') }}</td><td class="num muted">{{ $before->n('question') }}</td></tr>
                @foreach (['text' => 'Texts', 'email' => 'E-mails', 'web' => 'Web requests', 'row' => 'Rows'] as $kind => $name)@if ($now->n('delivery', "{$kind}/sent") + $now->n('delivery', "{$kind}/failed") + $now->n('delivery', "{$kind}/dead") > 0)<tr><td>{{ $name }} that arrived</td><td class="num">{{ $now->n('delivery', "{$kind}/sent") }}</td><td class="num muted">{{ $before->n('delivery', "{$kind}/sent") }}</td></tr>@if (($lost = $now->n('delivery', "{$kind}/failed") + $now->n('delivery', "{$kind}/dead")) > 0)<tr><td>{{ $name }} that did not</td><td class="num wrong">{{ $lost }}</td><td class="num muted">{{ $before->n('delivery', "{$kind}/failed") + $before->n('delivery', "{$kind}/dead") }}</td></tr>@endif @endif @endforeach
            </tbody></table></section>
        <section class="card" aria-labelledby="g-speed"><h2 id="g-speed">Speed and cost</h2>
            <p>@if ($now->n('turn_ms') > 0)Half of the agent’s turns were worked out within {{ $now->within(0.5) }} ms, nineteen of twenty within {{ $now->within(0.95) }} ms ({{ number_format($now->n('turn_ms')) }} turns).@else<span class="muted">No turn of these days was timed: calls that were brought in are not.</span>@endif</p>
            @if ($cost)<table class="list plain"><thead><tr><th></th><th class="num">Cost</th><th class="num">Before</th></tr></thead><tbody>@foreach (['all' => 'These days', 'call' => 'A call', 'task' => 'A call that ended as it should', 'month' => 'A month like these days'] as $key => $name)<tr><td>{{ $name }}</td><td class="num">{{ $show($cost[$key], 3) }}</td><td class="num muted">{{ $was === 0 ? '–' : $show($costBefore[$key], 3) }}</td></tr>@endforeach</tbody></table>@endif
            @can('design', $business)<details @if (! $cost) open @endif><summary>Rates</summary><form method="post" action="{{ route('figures.rates', $business) }}">@csrf @method('put')<div class="inline-fields">@foreach (['inbound' => 'a minute in', 'outbound' => 'a minute out', 'text' => 'a text', 'email' => 'an e-mail', 'month' => 'a month'] as $key => $name)<label class="field-label narrow"><span>{{ $name }}</span><input name="{{ $key }}" inputmode="decimal" value="{{ $rates->$key > 0 ? $rates->$key : '' }}"></label>@endforeach<button type="submit">Keep</button></div></form></details>@endcan</section>
    </div>
    @endif
</x-layout>
