@php
    /** @var \Illuminate\Support\Collection<int, \App\Models\CallTurn> $turns */
    $marks ??= [];
    $end = max(20.0, (float) ($turns->map(fn ($turn) => $turn->at + $turn->seconds)->max() ?? 0) + ($live ? 4 : 1), (float) (collect($marks)->max('at') ?? 0) + 4);
    $w = 1000;
    $scale = $w / $end;
    $tick = $end > 240 ? 60 : ($end > 120 ? 30 : ($end > 50 ? 15 : 5));
    $clock = fn (float $s): string => intdiv((int) $s, 60).':'.str_pad((string) ((int) $s % 60), 2, '0', STR_PAD_LEFT);
@endphp
<figure class="strip">
    <svg viewBox="0 0 {{ $w }} 92" role="group" aria-label="Call strip: {{ $turns->where('by', 'agent')->count() }} turns of {{ $agent }}, {{ $turns->where('by', 'caller')->count() }} of the caller, {{ $clock($end) }} long">
        @for ($s = 0; $s < $end - $tick * 0.3; $s += $tick)
            <line x1="{{ round($s * $scale, 1) }}" x2="{{ round($s * $scale, 1) }}" y1="14" y2="90" class="strip-tick"/>
            <text aria-hidden="true" x="{{ round($s * $scale, 1) + ($s === 0 ? 0 : 3) }}" y="10" class="strip-time">{{ $clock($s) }}</text>
        @endfor
        <line x1="0" x2="{{ $w }}" y1="53" y2="53" class="strip-axis"/>
        @foreach ($turns as $turn)
            @php $x = round($turn->at * $scale, 1); $width = max(3, round($turn->seconds * $scale - 1, 1)); @endphp
            <a href="#turn-{{ $turn->n }}" class="strip-turn {{ $turn->by }}" data-turn="{{ $turn->n }}" aria-label="{{ $clock($turn->at) }} {{ $turn->by === 'agent' ? $agent : $turn->by }}: {{ $turn->text }}">
                <title>{{ $clock($turn->at) }} {{ $turn->text }}</title>
                @if ($turn->keys)
                    <rect x="{{ $x }}" y="58" width="{{ max(16, $width) }}" height="28" rx="3" class="pressed"/>
                    <text aria-hidden="true" x="{{ $x + max(16, $width) / 2 }}" y="77" text-anchor="middle" class="strip-key">{{ $turn->text }}</text>
                @else
                    @php $top = $turn->by === 'caller' ? 58 : 20; $lines = \App\Support\StripWords::of($turn->text, $width); @endphp
                    <rect x="{{ $x }}" y="{{ $top }}" width="{{ $width }}" height="28" rx="3"/>
                    @foreach ($lines as $l => $line)<text aria-hidden="true" x="{{ $x + 4 }}" y="{{ $top + (count($lines) === 1 ? 17.5 : 12 + 11 * $l) }}" class="strip-words">{{ $line }}</text>@endforeach
                @endif
            </a>
        @endforeach
        @foreach ($marks as $i => $mark)
            @php
                // The cord: from the strip to whoever was rung, its end tells what became of it.
                $mx = round($mark['at'] * $scale, 1);
                $nextMark = $marks[$i + 1] ?? null;
                $to = $mark['kind'] === 'rung' ? round(min($w - 6, ($nextMark['at'] ?? $mark['at'] + 4) * $scale), 1) : $mx;
            @endphp
            @if ($mark['kind'] === 'errand')
                @php $long = max(5, round(($mark['seconds'] ?? 0) * $scale, 1)); @endphp
                <g class="strip-errand {{ $mark['status'] ?? '' }}"><title>{{ str_replace('_', ' ', $mark['name']) }}: {{ str_replace('_', ' ', $mark['status'] ?? '') }} after {{ number_format($mark['seconds'] ?? 0, 1) }} s</title>
                    <path d="M{{ $mx }} 49 v8 M{{ $mx }} 53 h{{ $long }} m-5 -4 l5 4 l-5 4"/><text aria-hidden="true" x="{{ min($w - 120, $mx + $long + 4) }}" y="57">{{ str_replace('_', ' ', $mark['name']) }}{{ ($mark['status'] ?? '') === 'found' ? '' : ', '.str_replace('_', ' ', $mark['status'] ?? '') }}</text></g>
            @elseif ($mark['kind'] === 'advice')
                <g class="strip-advice {{ $mark['status'] ?? '' }}"><title>the adviser, {{ \Ringo\Advice\Purpose::from($mark['name'])->words() }}: {{ \App\Models\Advice::WORDS[$mark['status'] ?? ''] ?? '' }} after {{ number_format($mark['seconds'] ?? 0, 1) }} s</title>
                    <path d="M{{ $mx }} 47 l5 6 l-5 6 l-5 -6 z"/><text aria-hidden="true" x="{{ min($w - 120, $mx + 8) }}" y="57">adviser</text></g>
            @elseif ($mark['kind'] === 'rung')
                <path d="M{{ $mx }} 53 C{{ $mx }} 12 {{ max($mx + 8, $to) }} 12 {{ max($mx + 8, $to) }} 53" class="cord {{ $nextMark['kind'] ?? 'rung' }}"><title>rings {{ $mark['name'] }}</title></path>
            @else
                <circle cx="{{ $mx }}" cy="53" r="5" class="cord-end {{ $mark['kind'] }}"><title>{{ $mark['name'] }} {{ $mark['kind'] === 'taken' ? 'took the call' : 'did not take it' }}</title></circle>
                <text aria-hidden="true" x="{{ min($w - 90, $mx + 8) }}" y="56" class="cord-name {{ $mark['kind'] }}">{{ $mark['kind'] === 'taken' ? '' : 'not ' }}{{ $mark['name'] }}</text>
            @endif
        @endforeach
        @if ($live && $turns->isNotEmpty())
            @php $now = round(($turns->last()->at + $turns->last()->seconds) * $scale, 1); @endphp
            <line x1="{{ $now }}" x2="{{ $now }}" y1="14" y2="92" class="strip-now"/>
        @endif
    </svg>
    <figcaption class="sr">Above the line {{ $agent }} speaks, below it the caller.</figcaption>
</figure>
