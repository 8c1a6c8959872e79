<x-layout :title="'Guests of '.$agent->name" :business="$business" :agent="$agent" here="agents">
    <x-agent-head :business="$business" :agent="$agent" here="guests" title="Guests" sub="People without an account who ring it by a link and a code, and say what they thought of it."/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if (session('pass'))<div class="notice" role="status"><span>For {{ session('pass')['guest'] }}: <code>{{ session('pass')['link'] }}</code> with the code <strong><code>{{ session('pass')['code'] }}</code></strong>. The code is shown now and never again; send it another way than the link.</span></div>@endif
    <section class="card"><h2>Let somebody ring it</h2><form method="post" class="inline-fields" action="{{ route('guest.store', [$business, $agent]) }}">@csrf<x-field label="who"><input name="guest" required maxlength="80" value="{{ old('guest') }}" placeholder="the client’s manager"></x-field>
        <x-field label="rings"><x-choice name="rings" :of="['draft' => 'the draft, as it is then'] + \App\Support\Offered::releases($releases)"/></x-field><x-field class="narrow" label="days"><input type="number" name="days" min="1" max="60" value="{{ old('days', 7) }}"></x-field><button class="primary">Make a link</button></form></section>
    @forelse ($passes as $pass)
        <section class="card after-list"><h2>{{ $pass->guest }} <small>rings {{ $pass->called() }}, {{ $pass->open() ? 'until '.$pass->expires_at->setTimezone($business->tz)->format('j M, H:i') : 'no more' }}</small></h2>
            @foreach ($pass->remarks as $remark)<p class="line"><span class="when stamp">{{ $remark->created_at?->setTimezone($business->tz)->format('j M, H:i') }}</span><span class="what">“{{ $remark->words }}”</span><span class="when">@if ($remark->call)<a href="{{ route('call', [$business, $remark->call]) }}">after this call</a>@endif</span></p>@endforeach
            @foreach ($pass->calls as $call)<a class="line" href="{{ route('call', [$business, $call]) }}"><span class="when stamp">{{ $call->placedAt()->format('D j M, H:i') }}</span><span class="what">{{ $call->inProgress() ? 'in progress' : $call->outcome }}</span><span class="when">{{ round($call->seconds) }} s</span></a>@endforeach
            @if ($pass->remarks->isEmpty() && $pass->calls->isEmpty())<p class="empty">Has not rung yet.</p>@endif
            @if ($pass->open())<form method="post" action="{{ route('guest.end', [$business, $agent, $pass]) }}">@csrf @method('delete')<button>End it now</button></form>@endif</section>
    @empty<p class="empty">Nobody was let in yet. A client’s manager can try an agent before it is released.</p>@endforelse
</x-layout>
