@php $share = fn (array $sums): string => ($sums['callers'] ?? 0) > 0 ? round(100 * $sums['achieved'] / $sums['callers']).' %' : ''; @endphp
<x-layout title="Crowds" :business="$business" :agent="$agent" here="casebook">
    <x-agent-head :business="$business" :agent="$agent" here="crowds" title="Crowds" sub="Stand-in callers made for this script ring it: of every temper, with values of their own, on a line as bad as you like. The truth about each is known, so what went wrong can be counted."/>
    @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
    <form class="card inline-fields" method="post" action="{{ route('crowd.store', [$business, $agent]) }}">@csrf
        <x-field class="narrow" label="callers"><input name="callers" type="number" min="1" max="10000" value="{{ old('callers', 200) }}"></x-field>
        <x-field label="ring"><x-choice name="rings" :of="['draft' => 'the draft'] + \App\Support\Offered::releases($releases)" :chosen="old('rings')"/></x-field>
        <x-field label="the same callers ring"><x-choice name="against" :of="\App\Support\Offered::releases($releases, ' too') + ['draft' => 'the draft too']" :chosen="old('against')" none="nothing else"/></x-field>
        <x-field label="the line is"><x-choice name="noise" :of="['0' => 'clean', '0.1' => 'good', '0.3' => 'poor', '0.6' => 'bad']" :chosen="old('noise')"/></x-field>
        <x-field class="narrow" label="seed" hint="the same, the same crowd"><input name="seed" value="{{ old('seed', '1') }}" maxlength="20"></x-field>
        <button type="submit" class="primary">Send them</button>
    </form>
    @if ($runs->isEmpty())<p class="empty card">No crowd has rung yet. Two hundred callers take a few seconds, and the first thing they find is often a question that half of them stumble over.</p>
    @else
        <table class="list" data-rows><thead><tr><th>When</th><th>Rang</th><th class="num">Callers</th><th>Line</th><th class="num">Got what they came for</th><th class="num">With the other</th><th>State</th></tr></thead>
            <tbody>@foreach ($runs as $run)<tr data-row tabindex="-1" data-href="{{ route('crowd', [$business, $agent, $run]) }}"><td><a href="{{ route('crowd', [$business, $agent, $run]) }}">{{ $run->created_at?->setTimezone($business->tz)->format('j M, H:i') }}</a></td><td>{{ $run->rings }}{{ $run->against ? ' and '.$run->against : '' }}</td><td class="num">{{ number_format($run->callers) }}</td><td>{{ ['0' => 'clean', '0.1' => 'good', '0.3' => 'poor', '0.6' => 'bad'][(string) $run->noise] ?? $run->noise }}</td><td class="num">{{ $share($run->report ?? []) }}</td><td class="num">{{ $share($run->against_report ?? []) }}</td><td>{{ ['queued' => 'waits its turn', 'running' => 'rings', 'stopped' => 'stopped', 'done' => 'done'][$run->status] }}{{ $run->goesOn() ? ", {$run->done} so far" : '' }}</td></tr>@endforeach</tbody></table>
    @endif
</x-layout>
