@php /** @var list<\Ringo\Design\Change> $changes */ @endphp
<x-layout title="Comparison" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="releases" title="What changed" :sub="count($changes) === 0 ? ucfirst($from['name']).' and '.$to['name'].' are the same.' : (count($changes) === 1 ? '1 change' : count($changes).' changes').' from '.$from['name'].' to '.$to['name']"/>
    <form class="filter" method="get">
        <label for="cmp-from">from</label><x-choice id="cmp-from" name="from" :of="\App\Support\Offered::releases($releases) + ['draft' => 'the draft']" :chosen="$from['key']"/>
        <label for="cmp-to">to</label><x-choice id="cmp-to" name="to" :of="['draft' => 'the draft'] + \App\Support\Offered::releases($releases)" :chosen="$to['key']"/>
        <button>Compare</button>
    </form>
    @if ($from['foreseen'] && $to['foreseen'])
        @php $better = array_diff($from['foreseen']['missed'], $to['foreseen']['missed']); $worse = array_diff($to['foreseen']['missed'], $from['foreseen']['missed']); @endphp
        <article class="change card"><h2><span class="kind">callers</span> What callers will say: {{ $from['foreseen']['handled'] }} dealt with before, {{ $to['foreseen']['handled'] }} of {{ $to['foreseen']['of'] }} now</h2>
            @if ($better || $worse)<table class="sides"><tbody>@if ($better)<tr><th scope="row">dealt with now</th><td class="new">{{ implode('; ', array_slice($better, 0, 8)) }}</td></tr>@endif @if ($worse)<tr><th scope="row">no longer</th><td class="old">{{ implode('; ', array_slice($worse, 0, 8)) }}</td></tr>@endif</tbody></table>@endif</article>
    @endif
    @foreach ($changes as $change)
        <article class="change card {{ $change->kind }}">
            <h2><span class="kind">{{ $change->kind }}</span> @if ($change->step && $change->kind !== 'removed')<a href="{{ route('prompt-book', [$business, $agent]) }}#step-{{ $change->step }}">{{ $change->words }}</a>@else{{ $change->words }}@endif</h2>
            @if ($change->details !== [])
                <table class="sides"><thead class="sr"><tr><th>what</th><th>{{ $from['name'] }}</th><th>{{ $to['name'] }}</th></tr></thead><tbody>
                    @foreach ($change->details as $detail)
                        <tr><th scope="row">{{ $detail['what'] }}</th><td class="old">@if ($detail['from'] === null)<span class="muted">nothing</span>@else<del>{{ $detail['from'] }}</del>@endif</td><td class="new">@if ($detail['to'] === null)<span class="muted">nothing</span>@else<ins>{{ $detail['to'] }}</ins>@endif</td></tr>
                    @endforeach
                </tbody></table>
            @endif
        </article>
    @endforeach
</x-layout>
