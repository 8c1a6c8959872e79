@php
    /** @var \App\Models\CallStep $step */
    $trace = $step->trace;
    $title = fn (string $key): string => mb_strtolower($script->sheet->field($key)?->title ?? str_replace('_', ' ', $key));
@endphp
<div class="trace" @if (($turns ?? []) !== []) data-turn="{{ implode(' ', $turns) }}" @endif>
    <p class="trace-line">
        @if ($trace['heard'] !== '')
            <span class="trace-label">heard</span> <strong>“{{ $trace['heard'] }}”</strong>
        @else
            <span class="trace-label">{{ str_replace('_', ' ', $trace['event']) }}</span>
        @endif
        @if (($backable ?? false) && $step->n > 0)<button type="button" class="back" data-branch="{{ $step->n }}" title="Rings again up to here, with the same caller and clock">go back to before this</button>@endif
        @if ($step->microseconds !== null)<span class="trace-time">{{ number_format($step->microseconds / 1000, 1) }} ms</span>@endif
    </p>
    @if (isset($trace['recognised']))<p class="trace-acts"><span class="trace-label">recognised</span> <span>by {{ $trace['recognised']['by'] === 'grammar' ? 'what the step waits for' : 'the general model' }} in {{ number_format($trace['recognised']['seconds'], 1) }} s</span>@foreach ($trace['recognised']['alternatives'] as $other) <span class="left">or “{{ $other }}”</span>@endforeach</p>@endif
    @if (($trace['acts'] ?? []) !== [])
        <p class="trace-acts"><span class="trace-label">does</span> @foreach ($trace['acts'] as $act)<span class="{{ $act['done'] ? 'done' : 'left' }}" title="{{ $act['done'] ? 'dealt with' : 'weighed, and nothing came of it' }}: “{{ $act['words'] }}”">{{ $act['act'] }} {{ number_format($act['confidence'], 2) }}</span> @endforeach</p>
    @endif
    @if ($trace['readings'] !== [])
        <ul class="trace-readings">
            @foreach ($trace['readings'] as $reading)
                <li class="{{ $reading['taken'] ? 'taken' : 'left' }}" @if ($reading['taken']) data-field="{{ $reading['field'] }}" @endif>
                    <span>{{ $title($reading['field']) }}</span>
                    <strong>{{ $reading['display'] !== '' ? $reading['display'] : '–' }}</strong>
                    @if ($reading['confidence'] > 0)<span class="sure {{ $reading['confidence'] >= 0.8 ? 'good' : ($reading['confidence'] >= 0.6 ? 'doubt' : 'wrong') }}">{{ number_format($reading['confidence'], 2) }}</span>@endif
                    <span class="why">{{ $reading['why'] }}</span>
                </li>
            @endforeach
        </ul>
    @endif
    <p class="trace-rules">
        @if ($trace['decided'] ?? null)<span class="decided" title="who of the order of a turn dealt with the words">{{ mb_strtolower(preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $trace['decided'])) }}</span>@endif
        @foreach ($trace['rules'] as $rule)<span>{{ $rule }}</span>@endforeach
        @if ($trace['from_step'] !== $trace['to_step'])<span class="move">{{ $trace['from_step'] ?? 'start' }} → {{ $trace['to_step'] ?? 'end' }}</span>@endif
    </p>
</div>
