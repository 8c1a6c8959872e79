<x-layout title="Exchange" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>Exchange</h1><p class="sub"><a href="{{ route('lines', $business) }}">Lines</a> · the simulated telephone network: a call placed here is a live one, and causes what live calls cause</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($line === null)<p class="card empty">There is no line to ring yet. <a href="{{ route('line.new', $business) }}">Make one</a>.</p>
    @else
    <div class="exchange-body">
        <form class="card" method="post" action="{{ route('exchange.place', $business) }}" data-exchange data-contacts-url="{{ route('contacts.search', $business) }}" @if (session('placed')) data-placed="{{ route('handset.show', [$business, session('placed')]) }}" @endif>@csrf
            <h2>Place a call</h2>
            <div class="inline-fields"><x-field label="to"><x-choice name="line" data-look :of="collect($lines)->mapWithKeys(static fn ($one) => [$one->key => $one->name.($one->live() ? '' : ($one->state === 'paused' ? ' (paused)' : ' (not live)'))])" :chosen="$line->key"/></x-field>
                <x-field label="placed at" :hint="$business->tz"><input name="at" type="datetime-local" required value="{{ $at->format('Y-m-d\TH:i') }}" data-look></x-field></div>
            <fieldset class="inline-fields"><legend>From</legend>
                <x-tick type="radio" name="caller" value="contact" :on="old('caller') === 'contact'">a contact</x-tick><input type="search" placeholder="name or firm" aria-label="Find a contact" data-contact-search><select name="contact" aria-label="Contact who rings" data-contact-list></select>
                <x-tick type="radio" name="caller" value="unknown" :on="old('caller', 'unknown') === 'unknown'">a number</x-tick><input name="number" type="tel" size="14" value="{{ old('number', '07700 900199') }}" aria-label="Number that rings">
                <x-tick type="radio" name="caller" value="withheld" :on="old('caller') === 'withheld'">withheld</x-tick></fieldset>
            <fieldset class="inline-fields"><legend>Where no desk is open, staff</legend><x-choice name="how" aria-label="What staff do" :of="['no_answer' => 'do not answer', 'answers' => 'pick up', 'busy' => 'are busy', 'declines' => 'decline']" :chosen="old('how')"/><label class="pair">after <input name="after" type="number" min="1" max="60" value="{{ old('after', 5) }}"> s</label></fieldset>
            <div class="go"><button class="primary" @disabled(! $line->live())><x-icon name="phone-call"/> Ring</button>@unless ($line->live())<span class="muted">The line is {{ $line->state === 'paused' ? 'paused' : 'not live yet' }}.</span>@endunless</div>
        </form>
        <section class="card" aria-labelledby="way-title"><h2 id="way-title">The way it takes <small>{{ $at->format('D j M, H:i') }}</small></h2>
            <ol class="way-list">@foreach ($way->why as $i => $one)<li @if ($way->rings !== [] && $loop->last) class="staff" @endif>{{ ucfirst($one) }}</li>@endforeach
                <li class="{{ $way->then }}">@if ($way->then === 'agent'){{ $business->agents()->where('key', $way->agent)->value('name') ?? $way->agent }} answers{{ $way->opening ? ', beginning with “'.str_replace('_', ' ', $way->opening).'”' : '' }}@elseif ($way->then === 'forward')The call goes on to {{ $way->number }}@else“{{ $way->words }}”@endif</li></ol></section>
    </div>
    <section class="card rush-form"><h2>Ring many at once</h2>
        <form method="post" action="{{ route('exchange.rushes', $business) }}" class="inline-fields">@csrf<input type="hidden" name="line" value="{{ $line->key }}"><input type="hidden" name="at" value="{{ $at->format('Y-m-d\TH:i') }}">
            <x-field class="narrow" label="callers"><input type="number" name="callers" min="2" max="500" value="{{ old('callers', 30) }}"></x-field><x-field class="narrow" label="within" hint="min"><input type="number" name="minutes" min="1" max="240" value="{{ old('minutes', 10) }}"></x-field>
            <x-field label="staff that ring first"><x-choice name="staff" :of="['no_answer' => 'do not answer', 'answers' => 'answer, and keep each two minutes']" :chosen="old('staff')"/></x-field><x-field class="narrow" label="seed"><input name="seed" maxlength="40" value="{{ old('seed', '1') }}"></x-field><button @disabled(! $line->live())>Ring {{ $line->name }}</button></form>
        <p class="muted">Stand-in callers made for the release, from the moment above on, on a clock of their own. Their calls are live ones and cause what live calls cause; only other systems and the diary are sketched.</p>
        @foreach ($rushes as $rush)<a class="line" href="{{ route('exchange.rush', [$business, $rush]) }}"><span class="when stamp">{{ $rush->placed_at->setTimezone($business->tz)->format('D j M, H:i') }}</span><span class="what">{{ $rush->callers }} within {{ $rush->minutes }} min to {{ $rush->line->name }}</span><span class="when">{{ $rush->goesOn() ? "{$rush->done} so far" : $rush->status }}</span></a>@endforeach</section>
    <section class="card"><h2>Calls on these lines</h2>
        @forelse ($calls as $call)<a class="line" href="{{ route('call', [$business, $call]) }}"><span class="when stamp">{{ $call->placedAt()->format('D j M, H:i') }}</span><span class="what"><strong>{{ $call->caller_name }}</strong> to {{ $call->line?->name }}: {{ $call->inProgress() ? 'in progress' : $call->outcome }}</span><span class="when">{{ round($call->seconds) }} s</span></a>
        @empty<p class="empty">None yet. The first one placed appears here.</p>@endforelse</section>
    @endif
</x-layout>
