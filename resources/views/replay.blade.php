@php
    $changed = count(array_filter($rows, fn (array $row): bool => ! $row['same']));
@endphp
<x-layout title="Replay" :business="$business" :agent="$agent" here="calls">
    <header class="head">
        <h1>Replay against the draft<span class="thin">, {{ $call->caller_name }}</span></h1>
        <div class="actions"><a class="button" href="{{ route('call', [$business, $call]) }}">Back to the call</a></div>
        <p class="sub">The caller’s lines of {{ $call->placedAt()->format('j F, H:i') }}, said again to {{ $agent->name }} as the draft is now, with the same clock and seed. Nothing is stored.</p>
    </header>
    <section class="card" aria-labelledby="diff-title">
        <h2 id="diff-title">
            @if ($changed === 0 && $cells === [] && $call->outcome === $record->outcome) Nothing differs: the same words, the same record, the same outcome.
            @else {{ $changed }} {{ $changed === 1 ? 'line differs' : 'lines differ' }}, {{ count($cells) }} {{ count($cells) === 1 ? 'value' : 'values' }}@if ($call->outcome !== $record->outcome), outcome “{{ $call->outcome }}” becomes “{{ $record->outcome }}”@endif
            @endif
        </h2>
        @if ($finished->unused > 0)<p class="error">{{ $finished->unused }} of the caller’s lines came too late: the call was over.</p>@endif
        @foreach ($cells as $cell)
            <p class="line"><span class="what"><strong>{{ $script->sheet->field($cell['field'])?->title ?? $cell['field'] }}</strong></span><span>{{ $cell['before'] ?? 'empty' }} <span aria-label="becomes">→</span> <strong>{{ $cell['after'] ?? 'empty' }}</strong></span></p>
        @endforeach
    </section>
    <table class="list replay">
        <thead><tr><th>Who</th><th>{{ $call->release ? 'Release '.$call->release->number : 'Then' }}</th><th>The draft now</th></tr></thead>
        <tbody>
        @foreach ($rows as $row)
            <tr class="{{ $row['same'] ? '' : 'differs' }}">
                <td><span class="voice {{ ($row['before'] ?? $row['after'])->by }}">{{ ($row['before'] ?? $row['after'])->by === 'agent' ? $agent->name : 'Caller' }}</span></td>
                @if ($row['same'])
                    <td colspan="2">{{ $row['before']->text }}</td>
                @else
                    <td>{{ $row['before']->text ?? '–' }}</td><td>{{ $row['after']->text ?? '–' }}</td>
                @endif
            </tr>
        @endforeach
        </tbody>
    </table>
</x-layout>
