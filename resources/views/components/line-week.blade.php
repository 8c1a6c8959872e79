@props(['week', 'calls', 'editable' => false, 'name'])
@php
    // A day across: minutes of the day from left to right, staff above the agent that follows them.
    [$left, $right, $row, $bar] = [56, 1060, 44, 38];
    $scale = ($right - $left) / 1440;
    $most = max(1, ...$calls);
    $top = 22;
    $below = $top + 7 * $row + 14;
    $height = array_sum($calls) === 0 ? $below + 8 : $below + 76;
    $x = fn (int $minute): float => round($left + $minute * $scale, 1);
@endphp
<figure class="line-week" @if ($editable) data-line-week data-left="{{ $left }}" data-scale="{{ $scale }}" data-top="{{ $top }}" data-row="{{ $row }}" @endif>
    <svg viewBox="0 0 {{ $right + 4 }} {{ $height }}" role="{{ $editable ? 'group' : 'img' }}" aria-label="Who answers {{ $name }} when">
        <defs><pattern id="nobody-{{ \Illuminate\Support\Str::slug($name) }}" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" x2="0" y1="0" y2="8" class="week-hatch"/></pattern></defs>
        @for ($hour = 0; $hour <= 24; $hour += 2)<text x="{{ $x($hour * 60) }}" y="14" text-anchor="{{ $hour === 24 ? 'end' : ($hour === 0 ? 'start' : 'middle') }}" class="week-hour">{{ sprintf('%02d', $hour) }}</text><line x1="{{ $x($hour * 60) }}" x2="{{ $x($hour * 60) }}" y1="{{ $top - 2 }}" y2="{{ $top + 7 * $row }}" class="week-tick"/>@endfor
        @foreach ($week as $weekday => $stretches)
            @php $y = $top + ($weekday - 1) * $row; @endphp
            <text x="8" y="{{ $y + 24 }}" class="week-day">{{ \App\Support\LinePage::DAYS[$weekday] }}</text>
            @foreach ($stretches as $one)
                @php $width = max(2, round(($one['to'] - $one['from']) * $scale - 1.5, 1)); $two = $one['first'] !== ''; @endphp
                <svg x="{{ $x($one['from']) }}" y="{{ $y }}" width="{{ $width }}" height="{{ $bar }}" class="week-stretch {{ $one['who'] }}" @if ($editable) tabindex="0" role="button" data-day="{{ $weekday }}" data-from="{{ $one['from'] }}" data-to="{{ $one['to'] }}" data-who="{{ $one['who'] }}" @endif aria-label="{{ $one['full'] }}"><title>{{ $one['full'] }}</title>
                    @if ($two)
                        <rect class="week-box staff" x="0.5" y="0.5" width="{{ $width - 1 }}" height="{{ $bar / 2 - 1.5 }}" rx="3"/><rect class="week-box {{ $one['who'] === 'staff' ? 'out' : 'agent' }}" x="0.5" y="{{ $bar / 2 + 0.5 }}" width="{{ $width - 1 }}" height="{{ $bar / 2 - 1 }}" rx="3"/>
                        <text x="7" y="13.5" class="week-words staff">{{ $one['first'] }}</text><text x="7" y="32.5" class="week-words {{ $one['who'] === 'staff' ? '' : 'agent' }}">{{ $one['then'] }}</text>
                    @else
                        <rect class="week-box {{ $one['who'] }}" x="0.5" y="0.5" width="{{ $width - 1 }}" height="{{ $bar - 1 }}" rx="3" @if ($one['who'] === 'nobody') fill="url(#nobody-{{ \Illuminate\Support\Str::slug($name) }})" @endif/>
                        @if ($one['who'] === 'nobody')<rect x="4" y="9" width="54" height="20" class="week-plate"/>@endif
                        <text x="7" y="23.5" class="week-words {{ $one['who'] }}">{{ $one['then'] }}</text>
                    @endif
                    <rect class="week-focus" x="1" y="1" width="{{ max(0.5, $width - 2) }}" height="{{ $bar - 2 }}" rx="3"/>
                </svg>
            @endforeach
        @endforeach
        @if ($editable)<rect class="week-drawn" data-drawn x="0" y="0" width="0" height="0" rx="3"/>@endif
        <text x="8" y="{{ $below + 2 }}" class="week-hour">{{ array_sum($calls) === 0 ? 'no calls in the last four weeks' : 'calls an hour of the day, last four weeks: '.array_sum($calls) }}</text>
        @foreach (array_sum($calls) === 0 ? [] : $calls as $hour => $n)
            @php $h = (int) round(40 * $n / $most); @endphp
            <rect x="{{ $x($hour * 60) + 4 }}" y="{{ $below + 52 - $h }}" width="{{ round(60 * $scale - 8, 1) }}" height="{{ $h }}" class="week-calls"/><text x="{{ $x($hour * 60 + 30) }}" y="{{ $below + 66 }}" text-anchor="middle" class="week-hour">{{ $n }}</text>
        @endforeach
    </svg>
</figure>
