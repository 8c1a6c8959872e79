@php
    /** @var \App\Actions\Foresight\Outlook $outlook */
    $kinds = implode(' or ', array_map(fn ($trade) => $trade->label, $outlook->trades));
    $handled = $outlook->handled($outlook->sayings);
    $asked = $outlook->handled($outlook->questions);
    $taken = count(array_filter($outlook->facts, fn ($one) => $one['field'] !== null));
@endphp
<x-layout title="What callers will say" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="foresight" title="What callers will say"/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <p class="error" data-foresight-error role="alert" hidden></p>
    <section class="card outlook-head" aria-label="In short">
        @if ($outlook->trades === [])<p>No trade is near to what is written here yet. Choose one, or describe topics and teams first.</p>
        @else<p class="outlook-sum">Here are {{ count($outlook->sayings) }} things callers of a {{ $kinds }} say; <strong>{{ $agent->name }} deals with <span data-handled>{{ $handled }}</span></strong>. Of {{ count($outlook->questions) }} questions, <span data-questions>{{ $asked }}</span> are answered or lead somewhere; of {{ count($outlook->facts) }} facts such a business wants, {{ $taken }} are asked for.</p>@endif
        <details @if ($outlook->trades === []) open @endif><summary>Nearest trades: {{ $kinds === '' ? 'none' : $kinds }}{{ $byHand ? ', chosen by hand' : '' }}</summary>
            <form method="post" action="{{ route('foresight.trades', [$business, $agent]) }}" class="trades-choice">@csrf @method('put')
                <fieldset><legend>near to what {{ $business->name }} wrote</legend>@foreach ($near as $key => $like)<x-tick name="trades[]" value="{{ $key }}" :on="in_array((string) $key, $chosen, true)">{{ $labels[$key] ?? $key }} <small class="figures">{{ number_format($like, 2) }}</small></x-tick>@endforeach
                    @foreach (array_diff($chosen, array_map(strval(...), array_keys($near))) as $key)<x-tick name="trades[]" value="{{ $key }}" :on="true">{{ $labels[$key] ?? $key }}</x-tick>@endforeach</fieldset>
                <x-field label="another"><x-choice name="trades[]" :of="$labels" none="none"/></x-field>
                <div class="go"><button>Keep these trades</button> <a href="{{ route('trades', $business) }}">Trades of your own</a></div></form></details>
    </section>
    @if ($outlook->trades !== [])
    <p class="keys-line muted"><kbd>j</kbd><kbd>k</kbd> row &nbsp;<kbd>y</kbd> right &nbsp;<kbd>b</kbd> belongs to … &nbsp;<kbd>o</kbd> not for us &nbsp;<kbd>w</kbd> write an answer
        <span class="views">@if ($only)<a href="{{ route('foresight', [$business, $agent]) }}">All rows</a>@else<a href="{{ route('foresight', [$business, $agent, 'only' => 'open']) }}">Only what comes to nothing</a>@endif</span></p>
    <div data-rows data-foresight data-mark="{{ route('foresight.mark', [$business, $agent]) }}" data-answer="{{ route('foresight.answer', [$business, $agent]) }}">
        <section aria-labelledby="say-title"><h2 id="say-title">What they say <small>the commonest first</small></h2>
            <table class="list foreseen"><thead><tr><th>A caller says</th><th>{{ $agent->name }} would</th><th class="num">Sure</th><th>Yours to say</th></tr></thead><tbody>
                @foreach ($outlook->sayings as $row)@unless ($only && $outlook->handles($row))@include('parts.foreseen')@endunless @endforeach</tbody></table>
            @if (! $all && $outlook->of > count($outlook->sayings))<p><a href="{{ route('foresight', [$business, $agent, 'all' => 1]) }}">All {{ $outlook->of }} sayings</a></p>@endif
        </section>
        <section aria-labelledby="ask-title"><h2 id="ask-title">What they ask</h2>
            <table class="list foreseen"><thead><tr><th>A caller asks</th><th>{{ $agent->name }} would</th><th class="num">Sure</th><th>Yours to say</th></tr></thead><tbody>
                @foreach ($outlook->questions as $row)@unless ($only && $outlook->handles($row))@include('parts.foreseen')@endunless @endforeach</tbody></table>
        </section>
    </div>
    <section aria-labelledby="facts"><h2 id="facts">What such a business wants to know</h2>
        <table class="list facts-asked"><thead><tr><th>Fact</th><th>Usual question</th><th>Callers answer</th><th>Here</th></tr></thead><tbody>
            @foreach ($outlook->facts as $one)@unless ($only && $one['field'] !== null)<tr><td><strong>{{ $one['fact']['name'] }}</strong> <small>{{ \Ringo\Sheet\FieldFormats::WORDS[$one['fact']['type']] ?? $one['fact']['type'] }}</small></td><td>{{ $one['fact']['ask'] }}</td><td class="muted">“{{ implode('”, “', array_slice($one['fact']['say'], 0, 2)) }}”</td>
                <td>@if ($one['field'] !== null)<span class="good-words">{{ str_replace('_', ' ', $one['field']) }}</span>@else<form method="post" action="{{ route('foresight.question', [$business, $agent]) }}">@csrf<input type="hidden" name="fact" value="{{ $one['fact']['name'] }}"><button>Add the question</button></form>@endif</td></tr>@endunless @endforeach</tbody></table>
    </section>
    <dialog data-belongs class="belongs" aria-labelledby="belongs-title"><form method="dialog"><h2 id="belongs-title">Where does it belong?</h2><p data-belongs-said class="voice caller"></p>
        <x-field label="topic or team"><select data-belongs-target>
            @foreach ($script->steps as $step)@if ($step instanceof \Ringo\Script\Steps\Listen\ListenStep && $step->topics !== [])<optgroup label="Topics of {{ str_replace('_', ' ', $step->key()) }}">@foreach ($step->topics as $topic)<option value="{{ $topic['key'] }}">{{ $topic['label'] }}</option>@endforeach</optgroup>@endif @endforeach
            @if ($teams->isNotEmpty())<optgroup label="Teams">@foreach ($teams as $team)<option value="team:{{ $team->key }}">{{ $team->name }}</option>@endforeach</optgroup>@endif</select></x-field>
        <p class="muted">A topic learns it in the draft; a team counts it from the next call on.</p>
        <div class="go"><button value="keep" class="primary">Keep it</button> <button value="cancel">Not now</button></div></form></dialog>
    <dialog data-answer-form class="belongs" aria-labelledby="answer-title"><form method="dialog"><h2 id="answer-title">Write the answer</h2><p data-answer-said class="voice caller"></p>
        <x-field class="wide" label="as it should be said"><textarea data-answer-text rows="3"></textarea></x-field>
        <div class="go"><button value="keep" class="primary">Keep the answer</button> <button value="cancel">Not now</button></div></form></dialog>
    @endif
</x-layout>
