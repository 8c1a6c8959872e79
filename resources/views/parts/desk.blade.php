@php $plan = app(\Ringo\Numbering\NumberingPlan::class); $nice = fn (?string $n): string => $n === null ? 'withheld' : ($plan->describe($n)?->inNationalFormat() ?? $n); @endphp
<div class="desk">
    <div class="desk-main">
        <p class="presence" role="group" aria-label="Presence">@foreach (['available' => 'Free', 'busy' => 'Busy', 'away' => 'Away'] as $value => $words)<button type="button" data-presence="{{ $value }}" aria-pressed="{{ $person->presence === $value ? 'true' : 'false' }}" class="{{ $person->presence === $value ? 'on' : '' }}">{{ $words }}</button>@endforeach</p>
        @foreach ($offers as $offer)
            @php $a = $offer->announcement; @endphp
            <article class="card ringing" aria-label="A call rings">
                <h2><x-icon name="phone-incoming"/> {{ $a['caller'] ?? 'A caller' }} <small>{{ $nice($a['number'] ?? null) }}{{ ($a['organisation'] ?? '') !== '' ? ', '.$a['organisation'] : '' }}</small></h2>
                <p class="muted">{{ $offer->target === 'person:'.$person->key ? 'for you' : 'for '.str_replace(['team:', '_'], ['', ' '], $offer->target) }}; {{ str_replace('_', ' ', $a['why'] ?? '') }}; rings since {{ $offer->rung_at->setTimezone($business->tz)->format('H:i:s') }}{{ ($a['waited'] ?? 0) > 0 ? ', has waited '.round((float) $a['waited']).' s before' : '' }}{{ ($a['verified'] ?? false) ? '; checked' : '' }}</p>
                @foreach ($a['said'] ?? [] as $said)<p class="voice caller">“{{ $said }}”</p>@endforeach
                <dl class="facts">@foreach ($a['record'] ?? [] as $title => $value)<div><dt>{{ $title }}</dt><dd>{{ $value }}</dd></div>@endforeach @if ($a['note'] ?? null)<div><dt>Note</dt><dd>{{ $a['note'] }}</dd></div>@endif</dl>
                <p class="go"><button type="button" class="primary" data-offer="{{ $offer->id }}" data-how="accept"><x-icon name="phone-call"/> Take it</button>
                    <label class="sr" for="reason-{{ $offer->id }}">Why not</label><x-choice id="reason-{{ $offer->id }}" data-reason :of="\App\Support\Offered::plainly(['not just now', 'with a customer', 'not my part'])"/>
                    <button type="button" data-offer="{{ $offer->id }}" data-how="decline">Not now</button>
                    @if (! $offer->before_agent && $teams->count() > 1)<span class="not-for-us"><label for="team-{{ $offer->id }}">not for us, for</label> <x-choice id="team-{{ $offer->id }}" data-team :of="$teams->reject(static fn ($team) => 'team:'.$team->key === $offer->target)->pluck('name', 'key')"/> <button type="button" data-offer="{{ $offer->id }}" data-how="decline" data-not-for-us>Pass it on</button></span>@endif
                    @if (! $offer->before_agent && ($a['number'] ?? null))<button type="button" data-offer="{{ $offer->id }}" data-how="ring_back">Promise a call-back</button>@endif</p>
            </article>
        @endforeach
        @if ($mine)
            <article class="card" aria-label="Your call">
                <h2>{{ $mine->caller_name }} <small>{{ $nice($mine->from) }}, with you</small></h2>
                <ol class="desk-turns">@foreach ($mine->turns->slice(-14) as $turn)<li class="{{ $turn->by }}"><span class="voice {{ $turn->by }}">{{ ['agent' => $mine->agent->name, 'caller' => 'Caller', 'staff' => 'You'][$turn->by] ?? $turn->by }}</span> {{ $turn->text }}</li>@endforeach</ol>
                <form data-desk-say="{{ $mine->ref }}" class="desk-say"><label class="sr" for="desk-say">What you say</label><input id="desk-say" autocomplete="off" placeholder="What you say"><button>Say it <kbd>↵</kbd></button><button type="button" class="danger" data-desk-hang-up="{{ $mine->ref }}"><x-icon name="phone-off"/> Hang up</button></form>
                <div class="inline-fields"><x-field class="wide" label="note" hint="goes with the call"><input data-desk-note="{{ $mine->ref }}" value="{{ $mine->staff_note }}"></x-field>
                    <x-field label="hand on to"><x-choice data-desk-colleague :of="collect($colleagues)->mapWithKeys(static fn ($one) => [$one->key => $one->name.', '.$one->presence])"/></x-field><button type="button" data-desk-hand-on="{{ $mine->ref }}">Hand on</button></div>
            </article>
        @elseif ($offers->isEmpty())
            <p class="card empty">Nothing rings. Calls come here when the transfer rules choose you or your team and you are free.</p>
        @endif
    </div>
    <aside class="desk-side">
        @if ($back->isNotEmpty())<section class="card"><h2>To ring back</h2>@foreach ($back as $one)<div class="ring-back @if ($one->due_at->isPast()) due @endif"><p><strong>{{ $one->name ?? 'A caller' }}</strong> {{ $nice($one->number) }}<br><span class="muted">{{ $one->due_at->setTimezone($business->tz)->format('D j M, H:i') }}{{ $one->result !== '' ? ', '.$one->result.' before' : '' }}; <a href="{{ route('call', [$business, $one->call]) }}">the call</a></span></p>
            <p class="go"><button type="button" data-ring-back="{{ $one->id }}" data-result="reached">Reached</button><button type="button" data-ring-back="{{ $one->id }}" data-result="no answer">No answer</button><button type="button" data-ring-back="{{ $one->id }}" data-result="no longer needed">Not needed</button></p></div>@endforeach</section>@endif
        <section class="card"><h2>With the agent now</h2>@forelse ($going as $call)<p class="line"><span class="what"><strong>{{ $call->caller_name }}</strong> with {{ $call->agent->name }}</span><button type="button" data-desk-step-in="{{ $call->ref }}">Step in</button></p>@empty<p class="empty">No call is going on.</p>@endforelse</section>
        <section class="card"><h2>Your last calls</h2>@forelse ($last as $call)<a class="line" href="{{ route('call', [$business, $call]) }}"><span class="what">{{ $call->caller_name }}</span><span class="when">{{ $call->placedAt()->format('j M, H:i') }}</span></a>@empty<p class="empty">None yet.</p>@endforelse</section>
    </aside>
</div>
