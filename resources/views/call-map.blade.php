@php
    /** @var \Ringo\Design\CallMap $map */
    $most = $traffic === null ? 1 : max(1, ...array_values($traffic['ways'] + ['' => 1]));
    $busiest = $traffic === null ? 1 : max(1, ...array_values($traffic['steps'] + ['' => 1]));
@endphp
<x-layout title="Call map" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="map" title="Call map" :sub="count($map->steps).' steps, '.count($map->ways).' ways on, '.($map->crossings === 1 ? '1 crossing' : $map->crossings.' crossings')"/>
    <form class="map-tools" method="get">
        <span role="group" aria-label="Coloured by">
            <a class="button {{ $by === 'findings' ? 'on' : '' }}" href="{{ route('call-map', [$business, $agent, 'by' => 'findings']) }}" @if ($by === 'findings') aria-current="true" @endif>By findings</a>
            <a class="button {{ $by === 'traffic' ? 'on' : '' }}" href="{{ route('call-map', [$business, $agent, 'by' => 'traffic']) }}" @if ($by === 'traffic') aria-current="true" @endif>By traffic</a>
            @if ($runs->isNotEmpty())<a class="button {{ $by === 'crowd' ? 'on' : '' }}" href="{{ route('call-map', [$business, $agent, 'by' => 'crowd']) }}" @if ($by === 'crowd') aria-current="true" @endif>By a crowd</a>@endif
        </span>
        @if ($by === 'traffic')
            <input type="hidden" name="by" value="traffic">
            <label>calls <x-choice name="calls" :of="['live' => 'on a line', 'rehearsal' => 'rehearsed']" :chosen="$kind"/></label>
            <label>of the last <x-choice name="days" :of="collect([7, 30, 90, 365])->mapWithKeys(static fn ($n) => [$n => $n.' days'])" :chosen="$days"/></label>
            <button>Show</button>
            <span class="muted">{{ number_format($traffic['calls']) }} {{ $traffic['calls'] === 1 ? 'call' : 'calls' }}</span>
        @endif
        @if ($run)
            <input type="hidden" name="by" value="crowd">
            <label>which <x-choice name="crowd" :of="collect($runs)->mapWithKeys(static fn ($one) => [$one->id => number_format($one->done).' callers rang '.$one->rings.', '.$one->created_at->setTimezone($business->tz)->format('j M H:i')])" :chosen="$run->id"/></label>
            @if ($run->against_report !== null)<label>with <x-choice name="of" :of="['against' => $run->against]" :chosen="$other ? 'against' : ''" :none="$run->rings"/></label>@endif
            <button>Show</button>
            <a href="{{ route('crowd', [$business, $agent, $run]) }}">what came of it</a>
        @endif
        <span class="zoom" role="group" aria-label="Zoom"><button type="button" data-zoom="out" title="Smaller (-)"><x-icon name="zoom-out"/><span class="sr">Smaller</span></button><button type="button" data-zoom="fit">Whole</button><button type="button" data-zoom="one">Actual size</button><button type="button" data-zoom="in" title="Larger (+)"><x-icon name="zoom-in"/><span class="sr">Larger</span></button></span>
    </form>
    <div class="map" data-map tabindex="0" aria-label="Call map; arrow keys move it, plus and minus zoom">
        <svg width="{{ $map->width }}" height="{{ $map->height }}" viewBox="0 0 {{ $map->width }} {{ $map->height }}" data-map-svg role="group" aria-label="The steps of {{ $agent->name }} and the ways between them">
            <defs><marker id="way-end" viewBox="0 0 8 8" refX="6.5" refY="4" markerWidth="6" markerHeight="6" orient="auto-start-reverse"><path d="M1 1 L7 4 L1 7 z" class="way-tip"/></marker></defs>
            @foreach ($map->ways as $way)
                @php
                    $n = $traffic === null ? null : ($traffic['ways'][$way['from'].'>'.$way['to']] ?? 0);
                    $points = $way['points'];
                    $d = 'M'.$points[0][0].' '.$points[0][1];
                    if ($way['back']) {
                        foreach (array_slice($points, 1) as $p) { $d .= ' L'.$p[0].' '.$p[1]; }
                    } else {
                        for ($i = 1; $i < count($points); $i++) {
                            [$x1, $y1] = $points[$i - 1]; [$x2, $y2] = $points[$i]; $m = ($y1 + $y2) / 2;
                            $d .= " C{$x1} {$m} {$x2} {$m} {$x2} {$y2}";
                        }
                    }
                    $width = $n === null ? 1.6 : ($n === 0 ? 1 : round(1.4 + 9 * sqrt($n / $most), 1));
                @endphp
                <path d="{{ $d }}" class="way {{ $way['back'] ? 'back' : '' }} {{ $way['aside'] ? 'aside' : '' }} {{ $n === 0 ? 'unused' : '' }}" stroke-width="{{ $width }}" @if ($n === null) marker-end="url(#way-end)" @endif><title>{{ $way['from'] }} to {{ $way['to'] }}: {{ $way['label'] }}{{ $n === null ? '' : ', '.$n.' of '.$traffic['calls'].' calls' }}</title></path>
            @endforeach
            @foreach ($map->steps as $key => $place)
                @php
                    $step = $script->step((string) $key);
                    $n = $traffic === null ? null : ($traffic['steps'][$key] ?? 0);
                    $left = $traffic === null ? 0 : ($traffic['left'][$key] ?? 0);
                    $tone = $n === null ? ($worst[$key] ?? 'fine') : ($n === 0 ? 'unused' : 'used');
                @endphp
                <a href="{{ route('prompt-book', [$business, $agent]) }}#step-{{ $key }}" class="map-step kind-{{ $step->kind() }} {{ $tone }}" aria-label="{{ $key }}, {{ $step->kind() }}{{ $n === null ? (isset($messages[$key]) ? ': '.implode(' ', $messages[$key]) : '') : ": {$n} calls".($left > 0 && $step->kind() !== 'finish' ? ", {$left} ended here" : '') }}">
                    <title>{{ $key }}, {{ $step->kind() }}{{ $n !== null ? ": {$n} calls came here, {$left} ended here" : (isset($messages[$key]) ? "\n".implode("\n", $messages[$key]) : '') }}</title>
                    <rect x="{{ $place['x'] }}" y="{{ $place['y'] }}" width="{{ \Ringo\Design\CallMap::WIDTH }}" height="{{ \Ringo\Design\CallMap::HEIGHT }}" rx="5" @if ($n !== null && $n > 0) fill-opacity="{{ round(0.15 + 0.85 * $n / $busiest, 2) }}" @endif/>
                    @if ($n !== null && $n > 0)<rect class="bar-under" x="{{ $place['x'] }}" y="{{ $place['y'] + \Ringo\Design\CallMap::HEIGHT - 4 }}" width="{{ round(\Ringo\Design\CallMap::WIDTH * $n / $busiest, 1) }}" height="4"/>@endif
                    <text x="{{ $place['x'] + 9 }}" y="{{ $place['y'] + 17 }}" class="map-name">{{ \Illuminate\Support\Str::limit((string) $key, 17, '…') }}</text>
                    <text x="{{ $place['x'] + 9 }}" y="{{ $place['y'] + 31 }}" class="map-kind">{{ str_replace("_", " ", $step->kind()) }}{{ $n !== null ? ", {$n}".($left > 0 && $step->kind() !== 'finish' ? " ({$left} left)" : '') : (isset($messages[$key]) ? ', '.count($messages[$key]).' '.$worst[$key].(count($messages[$key]) === 1 ? '' : 's') : '') }}</text>
                </a>
            @endforeach
        </svg>
    </div>
    <p class="legend">@if ($traffic === null)<span class="swatch error"></span> error <span class="swatch warning"></span> warning <span class="swatch note"></span> note <span class="swatch fine"></span> nothing found; @else Widths tell how many calls went a way; grey has had none; @endif dashed ways are ways out, ways back run up the right side.</p>
</x-layout>
