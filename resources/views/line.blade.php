<x-layout :title="$line->name" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>{{ $line->name }}</h1><p class="sub line-sub"><a href="{{ route('lines', $business) }}">Lines</a> @include('parts.line-head')</p>
        <div class="actions">
            <a class="button" href="{{ route('line.export', [$business, $line]) }}"><x-icon name="download"/> File</a>
            @if ($line->kind === 'button')<a class="button" href="{{ route('line.button', [$business, $line]) }}"><x-icon name="mouse-pointer-click"/> On the client’s page</a>@endif
            @if ($line->live())<a class="button" href="{{ route('exchange', [$business, 'line' => $line->key]) }}"><x-icon name="phone-incoming"/> Place a call</a>
                <form method="post" action="{{ route('line.pause', [$business, $line]) }}">@csrf<button>Pause</button></form>@endif
            @if ($line->agent->releases->isNotEmpty())
                <form method="post" action="{{ route('line.live', [$business, $line]) }}" class="pair">@csrf<label class="sr" for="release">Release</label><x-choice id="release" name="release" :of="\App\Support\Offered::releases($line->agent->releases)" :chosen="$line->release?->number"/><button class="primary">{{ $line->live() ? 'Move to it' : 'Put live' }}</button></form>
            @endif
        </div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @foreach ($found as $one)<p class="line-found {{ $one['severity'] }}"><x-icon name="circle-alert"/> {{ $one['words'] }}@if ($loop->first && $line->agent->releases->isEmpty()) <a href="{{ route('releases', [$business, $line->agent]) }}">Release it first.</a>@endif</p>@endforeach
    <section class="card" id="week" aria-label="Who answers when"><x-line-week :week="$week" :calls="$calls" :name="$line->name" :editable="true"/>
        <form method="post" action="{{ route('line.stretch', [$business, $line]) }}" class="stretch-form" data-stretch-form>@csrf
            <fieldset class="inline-fields days"><legend>On</legend>@foreach (\App\Support\LinePage::DAYS as $n => $name)<x-tick name="days[]" value="{{ $n }}" :on="in_array((string) $n, (array) old('days', ['1', '2', '3', '4', '5']), true)">{{ $name }}</x-tick>@endforeach
                <label class="pair">from <input name="from" size="5" value="{{ old('from', '08:00') }}" required></label><label class="pair">to <input name="to" size="5" value="{{ old('to', '17:00') }}" required></label></fieldset>
            @include('parts.line-answer', ['prefix' => '', 'answer' => ['who' => 'agent'], 'empty' => 'none', 'emptyWords' => 'as at other times'])
            <div class="go"><button class="primary">Answer it so</button><p class="muted">Drag across hours, or move to a stretch with Tab and press <kbd>s</kbd> staff first, <kbd>a</kbd> agent, <kbd>o</kbd> nobody, <kbd>Del</kbd> as at other times. A day the brief closes goes before all.</p></div>
        </form>
        <datalist id="forward-to">@foreach ($others as $other)<option value="line:{{ $other->key }}">{{ $other->name }}</option>@endforeach</datalist></section>
    <div class="post-lower line-lower">
        <section class="card"><h2>What it is, and who answers otherwise</h2>
            <form method="post" action="{{ route('line.update', [$business, $line]) }}">@csrf @method('put')
                <div class="inline-fields"><x-field label="name"><input name="name" maxlength="60" required value="{{ old('name', $line->name) }}"></x-field>
                    @if ($line->kind === 'number')<x-field label="number"><input name="number" type="tel" required value="{{ old('number', app(\Ringo\Numbering\NumberingPlan::class)->parse((string) $line->e164, $business->country)?->inNationalFormat() ?? $line->e164) }}"></x-field>@endif
                    <x-field label="agent"><x-choice name="agent" :of="collect($agents)->pluck('name', 'key')" :chosen="$design->agent"/></x-field>
                    <x-field class="narrow" label="calls at once"><input type="number" name="at_once" min="1" max="500" value="{{ old('at_once', $design->atOnce) }}"></x-field></div>
                <fieldset><legend>While the business is open <small>as the brief says</small></legend>@include('parts.line-answer', ['prefix' => 'open', 'answer' => $design->answering->open?->toArray() ?? [], 'empty' => '', 'emptyWords' => 'as at all other times'])</fieldset>
                <fieldset><legend>On holidays and closures</legend>@include('parts.line-answer', ['prefix' => 'closed', 'answer' => $design->answering->closed?->toArray() ?? [], 'empty' => '', 'emptyWords' => 'as on any day'])</fieldset>
                <fieldset><legend>At all other times</legend>@include('parts.line-answer', ['prefix' => 'otherwise', 'answer' => $design->answering->otherwise->toArray(), 'empty' => 'agent', 'emptyWords' => null])</fieldset>
                <fieldset><legend>What callers hear</legend>@foreach (['full' => 'where all is taken', 'nobody' => 'where nobody answers', 'failed' => 'where nothing works'] as $when => $words)<x-field class="wide" :label="$words"><input name="hears[{{ $when }}]" maxlength="400" value="{{ $line->document['hears'][$when] ?? '' }}" placeholder="{{ \Ringo\Line\Line::WORDS[$when] }}"></x-field>@endforeach</fieldset>
                <div class="go"><button class="primary">Keep</button></div></form>
            @unless ($line->live())<form method="post" action="{{ route('line.delete', [$business, $line]) }}">@csrf @method('delete')<button class="danger">Take the line away</button></form>@endunless</section>
        <div class="brief-side"><section class="card" id="voice"><h2>For a voice browser</h2>
            @if (session('voice'))<p>Address <code>{{ session('voice')['address'] }}</code>, any user name, password <code>{{ session('voice')['password'] }}</code>. It is shown now and never again.</p>@endif
            <p class="muted">A standards voice browser takes this line’s calls: VoiceXML 2.1, a document a turn, {{ $line->voice_hash ? 'with the password that was made' : 'once a password is made' }}.</p>
            <form method="post" action="{{ route('line.voice', [$business, $line]) }}">@csrf<button>{{ $line->voice_hash ? 'Another password' : 'Make a password' }}</button></form></section>
        <section class="card"><h2>What was changed</h2>
            @forelse ($line->changes->take(20) as $change)
                <div class="line"><span class="when">{{ $change->created_at?->setTimezone($business->tz)->format('j M, H:i') }}</span><span class="what">{{ $change->words }}<br><small class="muted">{{ $change->user->name ?? 'somebody' }}</small></span><form method="post" action="{{ route('line.back', [$business, $line, $change]) }}">@csrf<button title="Sets the line back to how it was before this">Back to before</button></form></div>
            @empty<p class="empty">Nothing was changed since it was made.</p>@endforelse</section></div>
    </div>
</x-layout>
