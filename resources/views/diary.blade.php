@php
    /** @var \Ringo\Diary\Diaries $diaries */
    $left = 150; $right = 1090; $rowHeight = 58; $headHeight = 26; $top = 26;
    $from = $span['from']; $to = $span['to']; $scale = ($right - $left) / max(60, $to - $from);
    $x = fn (int $minute): float => round($left + (min($to, max($from, $minute)) - $from) * $scale, 1);
    $clock = fn (int $minute): string => sprintf('%02d:%02d', intdiv($minute, 60), $minute % 60);
    $height = $top + count($days) * $headHeight + array_sum(array_map(fn ($day) => count($day['rows']), $days)) * $rowHeight + 4;
    $query = array_filter(['service' => $service?->key, 'view' => $kind === 'week' ? 'week' : null, 'area' => $area, 'rehearsals' => $rehearsals ? 1 : null]);
    $words = fn (array $bar): string => route('call', [$business, $bar['call']]).($bar['turn'] === null ? '' : '#turn-'.$bar['turn']);
    $designs = auth()->user()->roleIn($business)?->designs() ?? false;
@endphp
<x-layout title="Diary" :business="$business" :agent="$agent" here="diary">
    <header class="head"><h1>Diary</h1>
        <div class="actions">
            <a class="button" href="{{ route('diary', [$business, 'day' => $before->format('Y-m-d')] + $query) }}" rel="prev">‹ {{ $before->format('j M') }}</a>
            <a class="button" href="{{ route('diary', [$business, 'day' => now($business->tz)->format('Y-m-d')] + $query) }}">today</a>
            <a class="button" href="{{ route('diary', [$business, 'day' => $after->format('Y-m-d')] + $query) }}" rel="next">{{ $after->format('j M') }} ›</a>
            <a class="button" href="{{ route('diary', [$business, 'day' => $first->format('Y-m-d'), 'view' => $kind === 'week' ? 'day' : 'week'] + array_diff_key($query, ['view' => 1])) }}">{{ $kind === 'week' ? 'two days' : 'five days' }}</a>
            <a class="button" href="{{ route('diary.ask', $business) }}">Ask the diary</a>
            @if ($designs)<a class="button" href="{{ route('diary.set-up', $business) }}">Services</a>@endif
            <button type="button" class="primary" data-new-booking>New booking</button>
        </div>
        <p class="sub">{{ $days[0]['words'] }}@if (count($days) > 1) to {{ $days[count($days) - 1]['words'] }}@endif @if ($service) · free starts for {{ $service->label }}@endif</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($diaries->diaries === [])<p class="card empty">Nobody has a diary here yet. @if ($designs)<a href="{{ route('diary.set-up', $business) }}">Say what can be booked, and with whom.</a>@endif</p>
    @else
    <form method="get" class="filter"><input type="hidden" name="day" value="{{ $first->format('Y-m-d') }}">@if ($kind === 'week')<input type="hidden" name="view" value="week">@endif
        <label for="d-service">free starts for</label><x-choice id="d-service" name="service" data-submits :of="collect($diaries->services)->mapWithKeys(static fn ($one) => [$one->key => $one->label.', '.$one->minutes.' min'])" :chosen="$service?->key"/>
        @if ($diaries->travel->areas() !== [])<label for="d-area">where</label><x-choice id="d-area" name="area" data-submits :of="collect($diaries->travel->areas())->mapWithKeys(static fn ($one) => [$one => ucwords($one)])" :chosen="$area" none="anywhere"/>@endif
        <x-tick name="rehearsals" value="1" data-submits :on="$rehearsals">with rehearsals</x-tick>
        <noscript><button>Show</button></noscript></form>
    <figure class="diary-grid card scroll" data-diary data-from="{{ $from }}" data-scale="{{ $scale }}" data-left="{{ $left }}" data-step="{{ $service->step ?? 15 }}" data-base="{{ route('diary', $business) }}">
        <svg viewBox="0 0 {{ $right + 24 }} {{ $height }}" role="group" aria-label="Diary, {{ count($days) }} days">
            <defs><pattern id="shut" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="7" class="diary-hatch"/></pattern></defs>
            @for ($m = $from; $m <= $to; $m += 60)<text aria-hidden="true" x="{{ $x($m) }}" y="16" text-anchor="middle" class="diary-hour">{{ $clock($m) }}</text>@endfor
            @php $y = $top; @endphp
            @foreach ($days as $day)
                <rect x="0" y="{{ $y }}" width="{{ $right + 24 }}" height="{{ $headHeight }}" class="diary-day"/><text aria-hidden="true" x="12" y="{{ $y + 18 }}" class="diary-day-name">{{ $day['words'] }}</text>
                @php $y += $headHeight; @endphp
                @foreach ($day['rows'] as $row)
                    <g data-row-diary="{{ $row['key'] }}" data-date="{{ $day['date'] }}" data-y="{{ $y }}">
                        <line x1="0" x2="{{ $right + 24 }}" y1="{{ $y + $rowHeight }}" y2="{{ $y + $rowHeight }}" class="diary-line"/>
                        <text aria-hidden="true" x="12" y="{{ $y + 24 }}" class="diary-name">{{ $row['name'] }}</text>@if ($row['base'])<text aria-hidden="true" x="12" y="{{ $y + 41 }}" class="diary-small">from {{ ucwords($row['base']) }}</text>@endif
                        @for ($m = $from; $m <= $to; $m += 60)<line x1="{{ $x($m) }}" x2="{{ $x($m) }}" y1="{{ $y }}" y2="{{ $y + $rowHeight }}" class="diary-line"/>@endfor
                        @foreach ($row['shut'] as $shut)@if ($x($shut['to']) > $x($shut['from']))<rect x="{{ $x($shut['from']) }}" y="{{ $y + 4 }}" width="{{ $x($shut['to']) - $x($shut['from']) }}" height="{{ $rowHeight - 8 }}" fill="url(#shut)"/>@if ($x($shut['to']) - $x($shut['from']) > 36)<text aria-hidden="true" x="{{ $x($shut['from']) + 4 }}" y="{{ $y + 33 }}" class="diary-small">{{ $shut['why'] }}</text>@endif @endif @endforeach
                        @foreach ($row['ways'] as $way)<line x1="{{ $x($way['from']) }}" x2="{{ $x($way['to']) }}" y1="{{ $y + 28 }}" y2="{{ $y + 28 }}" class="diary-way"><title>{{ $way['minutes'] }} minutes on the way</title></line>@if ($x($way['to']) - $x($way['from']) > 14)<text aria-hidden="true" x="{{ ($x($way['from']) + $x($way['to'])) / 2 }}" y="{{ $y + 22 }}" text-anchor="middle" class="diary-small">{{ $way['minutes'] }}</text>@endif @endforeach
                        @foreach ($row['bars'] as $bar)
                            @php $bx = $x($bar['from']); $bw = max(8, $x($bar['to']) - $bx); $fits = fn (string $text, float $per): string => \Illuminate\Support\Str::limit($text, max(1, (int) floor(($bw - 14) / $per)), '…'); @endphp
                            <g class="diary-bar {{ $bar['kind'] }}{{ $bar['rehearsal'] ? ' rehearsed' : '' }}" @if ($bar['reference']) data-booking="{{ $bar['reference'] }}" data-minute="{{ $bar['from'] }}" data-length="{{ $bar['to'] - $bar['from'] }}" @if ($bar['call']) data-call="{{ $words($bar) }}" @endif tabindex="0" role="button" @endif aria-label="{{ $clock($bar['from']) }} to {{ $clock($bar['to']) }}, {{ $row['name'] }}: {{ $bar['name'] }}, {{ $bar['what'] }}{{ $bar['rehearsal'] ? ', rehearsed' : '' }}">
                                <title>{{ $clock($bar['from']) }} to {{ $clock($bar['to']) }}: {{ $bar['name'] }}, {{ $bar['what'] }}{{ $bar['note'] !== '' ? '. '.$bar['note'] : '' }}</title>
                                <rect x="{{ $bx }}" y="{{ $y + 5 }}" width="{{ $bw }}" height="{{ $rowHeight - 10 }}" rx="4" class="diary-bar-box"/><rect x="{{ $bx }}" y="{{ $y + 5 }}" width="4" height="{{ $rowHeight - 10 }}" class="diary-bar-edge"/>
                                <text aria-hidden="true" x="{{ $bx + 10 }}" y="{{ $y + 25 }}" class="diary-bar-name">{{ $fits($bar['name'], 7.4) }}</text><text aria-hidden="true" x="{{ $bx + 10 }}" y="{{ $y + 42 }}" class="diary-small">{{ $fits($bar['what'], 6.3) }}</text></g>
                        @endforeach
                        @foreach ($row['starts'] as $start)<circle cx="{{ $x($start['at']) }}" cy="{{ $y + $rowHeight - 10 }}" r="{{ $start['free'] ? 4.5 : 1.6 }}" class="{{ $start['free'] ? 'diary-free' : 'diary-not' }}" @if ($start['free']) tabindex="0" role="button" data-free="{{ $day['date'] }}T{{ $clock($start['at']) }}" data-free-diary="{{ $row['key'] }}" aria-label="{{ $clock($start['at']) }} is free for {{ $row['name'] }}" @endif><title>{{ $clock($start['at']) }} {{ $start['free'] ? 'is free for '.$row['name'] : 'is not free for '.$row['name'].': '.$start['why'] }}</title></circle>@endforeach
                    </g>
                    @php $y += $rowHeight; @endphp
                @endforeach
            @endforeach
        </svg>
        <figcaption class="muted">A bar is a booking: teal agreed by the agent, plum entered by a colleague, amber held in a call just now, grey from elsewhere; what a rehearsal booked is drawn with a broken line. A ring is a free start{{ $service ? ' for '.$service->label.', '.$service->minutes.' minutes' : '' }}; a dot is none, and says why. Drag a bar, or pick it and use the arrow keys and Enter; what will be told to the caller is shown before anything moves. A click, or Enter, on a booking that stays where it is opens its call at the words that agreed it.@foreach ($fetched as $one) Busy times of {{ $one->name }} {{ $one->calendar_at ? 'came in '.$one->calendar_at->diffForHumans() : 'never came in' }}{{ $one->calendar_problem === '' ? '.' : ': '.$one->calendar_problem }}@endforeach</figcaption>
    </figure>
    <section class="card diary-list" aria-label="Bookings in words"><h2>Bookings <small>the same in words</small></h2>
        @forelse (collect($days)->flatMap(fn ($day) => collect($day['rows'])->flatMap(fn ($row) => array_map(fn ($bar) => $bar + ['day' => $day['words'], 'diary' => $row['name']], $row['bars']))) as $bar)
            <div class="line"><span class="what"><strong>{{ $bar['name'] }}</strong> {{ $bar['what'] }}{{ $bar['rehearsal'] ? ' (rehearsed)' : '' }}, with {{ $bar['diary'] }} @if ($bar['note'] !== '')<span class="muted">{{ $bar['note'] }}</span>@endif</span><span class="when">{{ $bar['day'] }}, {{ $clock($bar['from']) }} to {{ $clock($bar['to']) }}</span>
                <span class="go">@if ($bar['call'])<a href="{{ $words($bar) }}">the call</a>@endif @if ($bar['reference'])<form method="post" action="{{ route('booking.cancel', [$business, $bar['reference']]) }}">@csrf<button>Cancel {{ $bar['reference'] }}</button></form>@endif</span></div>
        @empty<p class="empty">Nothing is booked on these days.</p>@endforelse</section>
    @if ($waits !== [])<section class="card diary-list" id="waiting" aria-label="Waiting list"><h2>Waiting list <small>who waits for a time, and what is free inside the wish by now</small></h2>
        @foreach ($waits as $one)
            <div class="line"><span class="what"><strong>{{ $one['waiting']->name ?? $one['waiting']->number ?? 'Somebody' }}</strong> {{ $one['label'] }}<span class="muted">{{ \Illuminate\Support\Str::limit($one['waiting']->said, 110) }}</span></span><span class="when">waiting {{ $one['waiting']->created_at?->diffForHumans(syntax: \Carbon\CarbonInterface::DIFF_ABSOLUTE) }}</span>
                <span class="go">@forelse ($one['free'] as $free)<form method="post" action="{{ route('waiting.book', [$business, $one['waiting']]) }}">@csrf<input type="hidden" name="at" value="{{ $free['start']->at }}"><input type="hidden" name="diary" value="{{ $free['start']->diary }}"><button @class(['primary' => $loop->first])>Book {{ $free['words'] }}</button></form>@empty<span class="muted">{{ $one['waiting']->rehearsal ? 'only rehearsed' : 'nothing is free yet' }}</span>@endforelse @if ($one['waiting']->call)<a href="{{ route('call', [$business, $one['waiting']->call]) }}">the call</a>@endif<form method="post" action="{{ route('waiting.drop', [$business, $one['waiting']]) }}">@csrf<button>Take off</button></form></span></div>
        @endforeach</section>@endif
    <dialog data-booking-form class="belongs" aria-labelledby="booking-title"><form method="post" action="{{ route('booking.store', $business) }}">@csrf<h2 id="booking-title">New booking</h2>
        <div class="inline-fields"><x-field label="service"><x-choice name="service" :of="collect($diaries->services)->pluck('label', 'key')" :chosen="old('service', $service?->key)"/></x-field>
            <x-field label="diary"><x-choice name="diary" :of="collect($diaries->diaries)->pluck('name', 'key')" :chosen="old('diary')"/></x-field>
            <x-field label="start"><input type="datetime-local" name="start" value="{{ old('start', $first->format('Y-m-d').'T09:00') }}" required></x-field></div>
        <div class="inline-fields"><x-field label="for"><input name="name" maxlength="120" value="{{ old('name') }}" required></x-field><x-field label="telephone"><input name="number" maxlength="40" value="{{ old('number') }}"></x-field>
            @if ($diaries->travel->areas() !== [])<x-field label="where"><x-choice name="area" :of="collect($diaries->travel->areas())->mapWithKeys(static fn ($one) => [$one => ucwords($one)])" :chosen="old('area')" none="here"/></x-field>@endif</div>
        <x-field class="wide" label="note"><input name="note" maxlength="1000" value="{{ old('note') }}"></x-field>
        <x-tick name="anyway" value="1">all the same, if a rule stands against it</x-tick>
        <div class="go"><button class="primary">Book it</button> <button type="button" data-close>Not now</button></div></form></dialog>
    <dialog data-move-form class="belongs" aria-labelledby="move-title"><form method="dialog"><h2 id="move-title">Move it?</h2><p data-move-words></p><div class="go"><button value="move" class="primary" data-move-go>Move it</button> <button value="stay">Leave it</button></div></form></dialog>
    @endif
</x-layout>
