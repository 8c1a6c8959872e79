<x-layout title="Agents" :business="$business" :agent="$agent" here="agents">
    <header class="head"><h1>Agents</h1><div class="actions"><a class="button primary" href="{{ route('agent.new', $business) }}"><x-icon name="plus"/> New agent</a></div></header>
    @if ($agents->isEmpty())
        <p class="card empty">No agent works for {{ $business->name }} yet. <a href="{{ route('agent.new', $business) }}">Make the first</a>: from a starter, from blank, or from a file.</p>
    @else
        <table class="list" data-rows>
            <thead><tr><th>Agent</th><th>Calls</th><th>State</th><th class="num">Steps</th><td></td></tr></thead>
            <tbody>
                @foreach ($agents as $one)
                    <tr tabindex="0" data-row data-href="{{ route('prompt-book', [$business, $one]) }}">
                        <td><a href="{{ route('prompt-book', [$business, $one]) }}"><strong>{{ $one->name }}</strong></a></td>
                        <td>{{ $one->direction === 'outbound' ? 'places calls' : 'answers calls' }}</td>
                        <td>{{ app(\App\Support\AgentState::class)->inWords($one) }}</td>
                        <td class="num">{{ count($one->draft->scriptText->script()->steps) }}</td>
                        <td class="num"><form method="post" action="{{ route('agent.delete', [$business, $one]) }}">@csrf @method('delete')<button class="bare" title="Takes {{ $one->name }} away with draft, releases and recordings; past calls stay. It can be undone."><x-icon name="trash-2"/><span class="sr">Take {{ $one->name }} away</span></button></form></td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
</x-layout>
