<x-layout title="Board" :business="$business" :agent="$agent" here="board">
    <header class="head">
        <h1>Board</h1>
        <p class="sub">{{ $now->format('l j F, H:i') }} at {{ $business->name }}</p>
    </header>
    @if ($still > 0)<p class="error" role="alert">The post stands still: {{ $still }} {{ $still === 1 ? 'message has' : 'messages have' }} been due since {{ \Illuminate\Support\Carbon::parse($stillSince)->setTimezone($business->tz)->format('j M, H:i') }}. Nothing goes out until “./ringo up” runs again. <a href="{{ route('post', $business) }}">Post room</a></p>@endif
    <div class="board">
        <div class="column">
        <section class="card" aria-labelledby="b-check">
            <h2 id="b-check">Records to check <span class="figure">{{ $toCheckCount }}</span></h2>
            @forelse ($toCheck as $call)
                <a class="line" href="{{ route('call', [$business, $call]) }}">
                    <span class="what"><strong>{{ $call->caller_name }}</strong> {{ $call->outcome }}</span>
                    <span class="why">{{ $call->record?->missing ? 'missing: '.implode(', ', array_map(fn ($key) => str_replace('_', ' ', $key), $call->record->missing)) : 'a value is in doubt' }}</span>
                    <span class="when">{{ $call->placedAt()->format('j M, H:i') }}</span>
                </a>
            @empty
                <p class="empty">Nothing to check. Every record is complete and sure.</p>
            @endforelse
            @if ($toCheckCount > $toCheck->count())<a class="more" href="{{ route('calls', [$business, 'check' => 1]) }}">All {{ $toCheckCount }} records to check</a>@endif
        </section>
        @if ($stuckCount > 0)
            <section class="card" aria-labelledby="b-post">
                <h2 id="b-post">Deliveries that did not arrive <span class="figure">{{ $stuckCount }}</span></h2>
                @foreach ($stuck as $one)<a class="line" href="{{ route('delivery', [$business, $one]) }}"><span class="what"><strong>{{ $one->name }}</strong></span><span class="why">{{ $one->problem }}</span><span class="when">{{ $one->state === 'dead' ? 'given up' : 'tried again' }}</span></a>@endforeach
            </section>
        @endif
        @if ($nobody !== [] && auth()->user()->can('design', $business))
            <section class="card" aria-labelledby="b-lines">
                <h2 id="b-lines">Lines and hours nobody answers <span class="figure">{{ count($nobody) }}</span></h2>
                @foreach ($nobody as $one)<a class="line" href="{{ route('line', [$business, $one['line']]) }}"><span class="what"><strong>{{ $one['line']->name }}</strong></span><span class="why">{{ implode(' ', $one['words']) }}</span><span class="when"></span></a>@endforeach
            </section>
        @endif
        @if ($failing->isNotEmpty() && auth()->user()->can('design', $business))
            <section class="card" aria-labelledby="b-cases">
                <h2 id="b-cases">Kept calls that the draft breaks <span class="figure">{{ $failingCount }}</span></h2>
                @foreach ($failing as $case)<a class="line" href="{{ route('case', [$business, $case->agent, $case]) }}"><span class="what"><strong>{{ $case->kept['title'] }}</strong></span><span class="why">{{ ($case->result['broke'] ?? null) === null ? 'it does not come out as it should' : "broken by “{$case->result['broke']['words']}”" }}</span><span class="when">{{ $case->agent->name }}</span></a>@endforeach
            </section>
        @endif
        <section class="card" aria-labelledby="b-fortnight">
            <h2 id="b-fortnight">Calls, last fourteen days</h2>
            @php $most = max(1, ...array_column($week, 'n')); @endphp
            <svg class="bars" viewBox="0 0 420 112" role="img" aria-label="Calls a day: @foreach ($week as $day){{ $day['date'] }} {{ $day['n'] }}{{ $loop->last ? '' : ', ' }}@endforeach">
                @foreach ($week as $i => $day)
                    @php $h = (int) round(70 * $day['n'] / $most); @endphp
                    <rect x="{{ $i * 30 + 4 }}" y="{{ 86 - $h }}" width="22" height="{{ max(1, $h) }}" rx="2" class="{{ $loop->last ? 'bar today' : 'bar' }}"/>
                    <text x="{{ $i * 30 + 15 }}" y="{{ 81 - $h }}" text-anchor="middle" class="bar-n">{{ $day['n'] ?: '' }}</text>
                    <text x="{{ $i * 30 + 15 }}" y="102" text-anchor="middle" class="bar-day">{{ substr($day['day'], 0, 2) }}</text>
                @endforeach
            </svg>
            <p class="sub">Today {{ $today }}, on a usual day {{ number_format($usual, 1) }}.</p>
        </section>
        </div>
        <div class="column">
    <section class="card" aria-labelledby="b-progress">
            <h2 id="b-progress">Calls in progress <span class="figure">{{ $inProgress->count() }}</span></h2>
            @forelse ($inProgress as $call)
                <a class="line" href="{{ route('call', [$business, $call]) }}"><span class="what"><strong>{{ $call->caller_name }}</strong> {{ $call->kind }}</span><span class="why">at {{ str_replace('_', ' ', $call->state['step'] ?? 'the start') }}</span><span class="when">{{ $call->last_event_at->diffForHumans(short: true) }}</span></a>
            @empty
                <p class="empty">Nobody is on the line. @if ($agent) Press <kbd>r</kbd> to ring {{ $agent->name }}. @endif</p>
            @endforelse
        </section>
    <section class="card" aria-labelledby="b-outcomes">
            <h2 id="b-outcomes">How calls ended, last four weeks</h2>
            @php $all = max(1, $outcomes->sum()); @endphp
            @forelse ($outcomes as $outcome => $n)
                <a class="line outcome" href="{{ route('calls', [$business, 'outcome' => $outcome]) }}"><span class="what">{{ $outcome }}</span>
                    <svg class="share" viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true"><rect width="{{ round(100 * $n / $all, 1) }}" height="8" rx="1"/></svg>
                    <span class="when">{{ $n }}</span></a>
            @empty
                <p class="empty">No calls yet in these four weeks.</p>
            @endforelse
        </section>
        @if ($unansweredCount > 0)
            <section class="card" aria-labelledby="b-asked">
                <h2 id="b-asked">Questions nothing answered <span class="figure">{{ $unansweredCount }}</span></h2>
                @foreach ($unanswered as $one)<a class="line" href="{{ auth()->user()->can('design', $business) ? route('knowledge', $business).'#asked' : route('calls', [$business, 'q' => mb_substr($one->question, 0, 60)]) }}"><span class="what">“{{ \Illuminate\Support\Str::limit($one->question, 70) }}”</span><span class="why">{{ $one->why }}</span><span class="when">{{ $one->created_at?->setTimezone($business->tz)->format('j M') }}</span></a>@endforeach
            </section>
        @endif
        @if ($idle !== null && $idle['unused'] !== [] || ($idle['unaskedCount'] ?? 0) > 0)
            <section class="card" aria-labelledby="b-idle">
                <h2 id="b-idle">What nobody came to, last four weeks <span class="figure">{{ count($idle['unused']) + $idle['unaskedCount'] }}</span></h2>
                @foreach (array_slice($idle['unused'], 0, 4) as $one)<a class="line" href="{{ route('figures', [$business, 'of' => $agent->key]) }}#g-unused"><span class="what"><strong>{{ str_replace('_', ' ', $one['key']) }}</strong> {{ $one['kind'] }}</span><span class="why">{{ $one['why'] }}</span></a>@endforeach
                @foreach ($idle['unasked']->take(max(1, 4 - count($idle['unused']))) as $one)<a class="line" href="{{ route('figures', [$business, 'of' => $agent->key]) }}#g-unused"><span class="what"><strong>{{ $one->heading ?: $one->source->name }}</strong> knowledge</span><span class="why">no call was answered from it</span></a>@endforeach
                <a class="more" href="{{ route('figures', [$business, 'of' => $agent->key]) }}#g-unused">Why, and take out</a>
            </section>
        @endif
        </div>
    <section class="card wide" aria-labelledby="b-recent">
            <h2 id="b-recent">Latest calls <a class="more" href="{{ route('calls', $business) }}">All calls</a></h2>
            @forelse ($recent as $call)
                <a class="line" href="{{ route('call', [$business, $call]) }}">
                    <span class="when stamp">{{ $call->placedAt()->format('D j M, H:i') }}</span>
                    <span class="what"><strong>{{ $call->caller_name }}</strong> {{ $call->outcome }}@if ($call->kind === 'rehearsal') <span class="tag">rehearsal</span>@endif</span>
                    <span class="why">{{ \Illuminate\Support\Str::limit(\Illuminate\Support\Str::after($call->record->summary ?? '', '. '), 110) }}</span>
                </a>
            @empty
                <p class="empty">No calls yet. @if ($agent) Ring {{ $agent->name }} with <kbd>r</kbd>: the call appears here when you hang up. @endif</p>
            @endforelse
        </section>
    </div>
</x-layout>
