@php
    $show = fn (mixed $value): string => is_scalar($value) ? (is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value) : (is_array($value) ? implode(' ', array_filter(\Illuminate\Support\Arr::flatten($value), is_scalar(...))) : '');
    $expect = $kept->expect;
    $differ = count(array_filter($rows, fn ($row) => ! $row['same']));
@endphp
<x-layout :title="$kept->title" :business="$business" :agent="$agent" here="casebook">
    <header class="head"><h1>{{ $kept->title }}</h1>
        <p class="sub"><a href="{{ route('casebook', [$business, $agent]) }}">Casebook of {{ $agent->name }}</a> · rings {{ \Illuminate\Support\Carbon::parse($kept->at)->format('l j F Y, H:i') }} from {{ $kept->from ?? 'a withheld number' }}@if ($case->call) · kept from <a href="{{ route('call', [$business, $case->call]) }}">this call</a>@endif</p>
        <div class="actions"><form method="post" action="{{ route('case.delete', [$business, $agent, $case]) }}">@csrf @method('delete')<button type="submit" class="danger">Take out</button></form></div></header>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    @if ($case->failing())
        <section class="card failing" aria-labelledby="fails-title"><h2 id="fails-title"><x-icon name="circle-alert"/> It fails on the draft</h2>
            <ul class="case-failures">@foreach ($case->result['failures'] as $failure)<li>{{ \Ringo\Rehearsal\Casebook\Verdict::inWords($failure['expect'], $show($failure['wanted']), $show($failure['got'])) }}</li>@endforeach</ul>
            @if ($case->result['broke'])<p>It passes until version {{ $case->result['broke']['version'] - 1 }} of the draft. What broke it: <strong>“{{ $case->result['broke']['words'] }}”</strong>@if ($case->result['broke']['by']), by {{ $case->result['broke']['by'] }}@endif.</p>@endif
            @if ($case->result['unused'] > 0)<p class="muted">{{ $case->result['unused'] }} of the caller’s lines were not said: nothing asked for them.</p>@endif
            <form method="post" action="{{ route('case.accept', [$business, $agent, $case]) }}">@csrf<button type="submit">This is what should happen now</button></form></section>
    @elseif ($case->result)<p class="case-sum good" role="status"><x-icon name="circle-check"/> It passes on the draft.</p>@endif
    <div class="rule-page case-page">
        <section class="card" aria-labelledby="rows-title"><h2 id="rows-title">{{ $differ === 0 ? 'The call, the same as it was kept' : 'As it was kept, and on the draft' }}</h2>
            <table class="list replay"><thead><tr><th>Who</th><th>When it was kept</th><th>On the draft</th></tr></thead><tbody>
                @foreach ($rows as $i => $row)<tr class="{{ $row['same'] ? '' : 'differs' }} {{ $i === $first ? 'first-difference' : '' }}">
                    @php $by = ($row['before'] ?? $row['after'])->by; @endphp
                    <td><span class="voice {{ $by }}">{{ $by === 'agent' ? $agent->name : ucfirst($by) }}</span>@if ($i === $first && $differ > 0)<br><small class="wrong">differs first</small>@endif</td>
                    @if ($row['same'])<td colspan="2">{{ $row['before']->text }}</td>@else<td>{{ $row['before']->text ?? '–' }}</td><td>{{ $row['after']->text ?? '–' }}</td>@endif</tr>@endforeach</tbody></table></section>
        <form class="card rule-form" data-agent-form method="post" action="{{ route('case.update', [$business, $agent, $case]) }}">@csrf @method('put')
            <h2>What must hold</h2>
            <x-field class="wide" label="name"><input name="title" value="{{ old('title', $kept->title) }}" required></x-field>
            <x-tick name="must" value="1" :on="$kept->must">a release waits until it passes</x-tick>
            <fieldset class="ticks"><legend>Values</legend>@forelse ($expect->values as $field => $value)<x-tick name="values[]" value="{{ $field }}" :on="true">{{ $script->sheet->field($field)?->title ?? $field }}: {{ $show($value) === '' ? 'empty' : $show($value) }}</x-tick>@empty<p class="muted">none</p>@endforelse</fieldset>
            @if ($expect->outcome !== null)<x-tick name="outcome" value="1" :on="true">it ends as “{{ $expect->outcome }}”</x-tick>@endif
            @if ($expect->askedOnce)<fieldset class="ticks"><legend>Asked no more than once</legend>@foreach ($expect->askedOnce as $field)<x-tick name="asked_once[]" value="{{ $field }}" :on="true">{{ $script->sheet->field($field)?->title ?? $field }}</x-tick>@endforeach</fieldset>@endif
            @if ($expect->sends)<fieldset class="ticks"><legend>Sends</legend>@foreach ($expect->sends as $by)<x-tick name="sends[]" value="{{ $by }}" :on="true">{{ $by }}</x-tick>@endforeach</fieldset>@endif
            <x-field class="wide" label="words that must be said" hint="one a line"><textarea name="says" rows="2">{{ implode("\n", $expect->says) }}</textarea></x-field>
            <x-field class="wide" label="words that must not"><textarea name="never_says" rows="2">{{ implode("\n", $expect->neverSays) }}</textarea></x-field>
            <x-field class="wide" label="steps it must pass" hint="commas between"><input name="reaches" value="{{ implode(', ', $expect->reaches) }}"></x-field>
            <x-field class="narrow" label="turns of the caller, at most"><input name="most_turns" inputmode="numeric" value="{{ $expect->mostTurns }}"></x-field>
            <div class="go"><button type="submit" class="primary">Keep</button></div>
        </form>
    </div>
</x-layout>
