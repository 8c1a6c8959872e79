<x-layout title="Bench" :business="$business" :agent="$agent" here="knowledge">
    <header class="head"><h1>Bench<span class="thin">, ask what a caller would</span></h1><p class="sub"><a href="{{ route('knowledge', $business) }}">Knowledge</a></p></header>
    @if ($errors->any())<p class="error" role="alert">{{ $errors->first() }}</p>@endif
    <form class="filter bench-ask" action="{{ route('knowledge.bench', $business) }}"><label for="b-q">Question</label><input id="b-q" name="q" value="{{ $asked }}" autofocus placeholder="how much for the big one for a week?"><label for="b-known">already known</label><input id="b-known" name="known" value="{{ $known }}" placeholder="mini digger"><button type="submit" class="primary">Ask <kbd>Enter</kbd></button></form>
    @if ($answer)
        <div class="bench">
            <section class="card" aria-labelledby="said-title"><h2 id="said-title">{{ $answer->answered ? 'It would say' : ($answer->offers !== [] ? 'It would ask back' : 'It would not answer') }} <small>{{ number_format($spoken->seconds($answer->text), 1) }} s</small></h2>
                <p class="bench-answer {{ $answer->answered || $answer->offers !== [] ? '' : 'refused' }}">{{ $answer->text }} @if ($agent)<button type="button" class="hear" data-hear="{{ route('agent.audition', [$business, $agent, 'engine' => $agent->draft->scriptText->script()->agent->voice['engine'], 'name' => $agent->draft->scriptText->script()->agent->voice['name'], 'text' => mb_substr($answer->text, 0, 300)]) }}" aria-label="Hear it"><x-icon name="volume-2"/></button>@endif</p>
                <p class="muted">@if ($answer->answered)from <strong>{{ $answer->source }}</strong>, sure to {{ number_format($answer->confidence, 2) }}@elseif ($answer->offers === []){{ $answer->refusal }}@endif</p>
                @foreach ($answer->offers as $one)<p class="muted">“{{ $one['label'] }}”: {{ $one['text'] }} <small>{{ $one['source'] }}</small></p>@endforeach
                @if ($answer->more)<p class="muted">On “tell me more”: {{ \Illuminate\Support\Str::limit(implode(' ', $answer->more), 200) }}</p>@endif
                <form method="post" action="{{ route('knowledge.check', $business) }}" class="filter">@csrf<input type="hidden" name="question" value="{{ $asked }}"><label for="c-holds">Keep as a check; the answer must hold</label><input id="c-holds" name="holds" placeholder="£95; three days"><label class="inline"><input type="checkbox" name="refused" value="1"> or must be refused</label><button type="submit">Keep the check</button></form></section>
            <section class="card" aria-labelledby="why-title"><h2 id="why-title">What was looked at</h2>
                <table class="list"><thead><tr><th>Place</th><th class="num">Chance</th><th>Words found</th><th>Not found</th><th>Would say</th><th>For and against</th></tr></thead><tbody>
                    @forelse ($answer->candidates as $i => $one)<tr @if ($answer->answered && $answer->source === $one->place && $answer->text === $one->text) class="won" @endif><td>{{ $one->place }}</td><td class="num">{{ number_format(100 * $one->score) }} %</td><td>{{ implode(', ', $one->matched) }}</td><td class="muted">{{ implode(', ', $one->lacking) }}{{ $one->fits ? '' : ($one->lacking ? '; ' : '').'not the kind asked for' }}</td><td>{{ \Illuminate\Support\Str::limit($one->text, 90) }}</td><td class="muted">{{ $one->why }}</td></tr>
                    @empty<tr><td colspan="6" class="empty">Nothing speaks of it.</td></tr>@endforelse</tbody></table></section>
        </div>
    @endif
    <section class="card" aria-labelledby="checks-title"><h2 id="checks-title">Checks @if ($checks->isNotEmpty())<small>{{ $checks->where('passed', true)->count() }} of {{ $checks->count() }} pass; run again with every change</small>@endif</h2>
        @if ($result)<p class="notice" role="status">{{ $result['passed'] }} pass, {{ $result['failed'] }} fail.@if ($result['better']) Better: {{ implode('; ', $result['better']) }}.@endif @if ($result['worse']) Worse: {{ implode('; ', $result['worse']) }}.@endif</p>@endif
        @forelse ($checks as $check)
            <div class="line check-line"><span class="what {{ $check->passed ? 'passes' : 'fails' }}">{{ $check->passed === null ? '–' : ($check->passed ? 'passes' : 'fails') }}@if ($check->passed_before !== null && $check->passed !== $check->passed_before) <small>{{ $check->passed ? 'better' : 'worse' }}</small>@endif</span><span><a href="{{ route('knowledge.bench', [$business, 'q' => $check->question]) }}">{{ $check->question }}</a> <small>{{ $check->refused ? 'must be refused' : 'must hold: '.$check->holds }}</small>@if ($check->passed === false)<br><small>said: {{ \Illuminate\Support\Str::limit((string) $check->answer, 140) }}</small>@endif</span>
                <form method="post" action="{{ route('knowledge.check.drop', [$business, $check]) }}">@csrf @method('delete')<button class="bare" aria-label="Take out this check"><x-icon name="x"/></button></form></div>
        @empty<p class="empty">Ask something, then keep it as a check: it is run again whenever the knowledge changes.</p>@endforelse
        @if ($checks->isNotEmpty())<form method="post" action="{{ route('knowledge.run', $business) }}">@csrf<button type="submit">Run all checks</button></form>@endif
    </section>
</x-layout>
