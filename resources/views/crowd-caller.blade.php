@php
    $show = fn (mixed $value): string => is_bool($value) ? ($value ? 'yes' : 'no') : (is_array($value) ? implode(' ', array_filter($value, is_scalar(...))) : (string) (is_scalar($value) ? $value : ''));
    $held = $walked->call->state->values;
    $display = app(\Ringo\Speech\Display::class);
    $turns = collect($walked->call->transcript->turns)->map(fn ($turn, int $n) => (object) ['n' => $n, 'by' => $turn->by, 'at' => $turn->at, 'seconds' => $turn->seconds, 'text' => $turn->text, 'keys' => $turn->keys]);
    $steps = array_map(fn ($trace, $event, int $n) => (object) ['n' => $n, 'event' => $event->toArray(), 'trace' => $trace->toArray(), 'microseconds' => null], $walked->call->traces, $walked->call->events, array_keys($walked->call->events));
    $stepTurns = \App\Support\StepTurns::of($steps, $turns);
    $said = fn (string $key, mixed $value): string => ($field = $script?->sheet->field($key)) === null || $value === null ? $show($value) : $display->show($field->typed($value));
@endphp
<x-layout title="Caller {{ $n }}" :business="$business" :agent="$agent" here="casebook">
    <header class="head"><h1>Caller {{ $n }}<span class="thin">, {{ str_replace('_', ' ', $walked->who->temper->value) }}</span></h1>
        <p class="sub"><a href="{{ route('crowd', [$business, $agent, $run]) }}">The crowd</a> · rings {{ $against ? $run->against : $run->rings }} · came for {{ $walked->who->topic ?? 'a person' }} · ended as “{{ $walked->outcome }}”</p>
        <div class="actions"><details class="pick keep-case"><summary class="button">Keep as a case</summary><form method="post" action="{{ route('crowd.keep', [$business, $agent, $run, $n]) }}" class="stack">@csrf @if ($against)<input type="hidden" name="of" value="against">@endif<x-field label="name of the case"><input name="title" required maxlength="120" value="{{ ucfirst(str_replace('_', ' ', $walked->who->topic ?? 'a person')) }}: stand-in {{ $n }}, {{ str_replace('_', ' ', $walked->who->temper->value) }}"></x-field><x-tick name="tied" value="1" :on="true">answers go to what was asked, whatever the order</x-tick><button class="primary">Keep it</button></form></details>@if ($n > 1)<a class="button" href="{{ route('crowd.caller', [$business, $agent, $run, $n - 1]) }}">Before</a>@endif @if ($n < $run->callers)<a class="button" href="{{ route('crowd.caller', [$business, $agent, $run, $n + 1]) }}">Next</a>@endif</div></header>
    <p class="case-sum {{ $walked->achieved ? 'good' : 'wrong' }}">@if ($walked->achieved)<x-icon name="circle-check"/> Got what they came for, every value right.@else<x-icon name="circle-alert"/> {{ implode('; ', array_map(fn ($one) => $one['cause'].($one['step'] === '' ? '' : ' (at '.$one['step'].')'), $walked->failures)) }}.@endif</p>
    <div data-lights>
    @include('parts.strip', ['turns' => $turns, 'live' => false, 'agent' => $agent->name])
    <div class="rule-page">
        <section class="card" aria-labelledby="said-title"><h2 id="said-title">What was said</h2>
            <ol class="turns">@foreach ($turns as $turn)<li id="turn-{{ $turn->n }}" class="turn {{ $turn->by }}" data-turn="{{ $turn->n }}"><span class="at">{{ intdiv((int) $turn->at, 60) }}:{{ str_pad((string) ((int) $turn->at % 60), 2, '0', STR_PAD_LEFT) }}</span><span class="voice {{ $turn->by }}">{{ $turn->by === 'agent' ? $agent->name : ucfirst($turn->by) }}</span><p>{{ $turn->keys ? 'presses ' : '' }}{{ $turn->text }}</p></li>@endforeach</ol></section>
        <aside class="card"><h2>What they meant</h2>
            <table class="list plain"><thead><tr><th>Field</th><th>Meant</th><th>Taken</th></tr></thead><tbody>@foreach ($walked->fields as $field => $how)<tr class="{{ $how }}"><td>{{ $script?->sheet->field($field)?->title ?? $field }}</td><td>{{ $said($field, $walked->meant[$field] ?? null) }}</td><td class="{{ $how === 'right' ? 'good' : 'wrong' }}">{{ $how === 'missing' ? 'nothing' : $said($field, ($held[$field] ?? null)?->value) }}</td></tr>@endforeach</tbody></table></aside>
    </div>
    @if ($script !== null)<details class="why-log"><summary>Why {{ $agent->name }} did what it did, turn by turn</summary>
        @foreach ($steps as $step)@include('parts.trace', ['step' => $step, 'turns' => $stepTurns[$step->n], 'script' => $script])@endforeach
    </details>@endif
    </div>
</x-layout>
