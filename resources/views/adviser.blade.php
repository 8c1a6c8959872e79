@php
    $now = old('about', $adviser->about);
@endphp
<x-layout title="Adviser" :business="$business" :agent="$agent" here="adviser">
    <header class="head"><h1>Adviser</h1><p class="sub">a second opinion where Ringo is unsure, from a language model server of {{ $business->name }}’s own; it is {{ $adviser->on ? 'on' : 'off' }}</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="adviser"><div class="column">
        <form method="post" action="{{ route('adviser.keep', $business) }}" class="card stack">@csrf @method('put')
            <x-tick name="on" value="1" :on="old('on', $adviser->on)"><strong>Ask it</strong> <span class="muted">otherwise Ringo decides alone</span></x-tick>
            <x-field class="wide" label="address of its chat completions"><input name="address" value="{{ old('address', $adviser->address) }}" placeholder="https://models.pellbrook.example/v1/chat/completions" spellcheck="false"></x-field>
            <div class="inline-fields"><x-field label="model"><input name="model" value="{{ old('model', $adviser->model) }}" spellcheck="false"></x-field>
                <x-field label="token" :hint="$adviser->secret ? 'one is kept, and not shown' : 'none'"><input type="password" name="secret" autocomplete="new-password" placeholder="{{ $adviser->secret ? 'leave as it is' : '' }}"></x-field></div>
            <div class="inline-fields"><x-field label="price of a million tokens read"><input name="price_in" inputmode="decimal" size="8" value="{{ old('price_in', $adviser->price_in ?: '') }}"></x-field><x-field label="written"><input name="price_out" inputmode="decimal" size="8" value="{{ old('price_out', $adviser->price_out ?: '') }}"></x-field></div>
            <fieldset class="checks"><legend>It may be asked</legend>@foreach (\Ringo\Advice\Purpose::cases() as $one)<x-tick name="about[]" value="{{ $one->value }}" :on="in_array($one->value, (array) $now, true)">{{ $one->words() }}</x-tick>@endforeach</fieldset>
            @if ($adviser->secret)<x-tick name="no_secret" value="1">forget the token</x-tick>@endif
            <div class="go"><button class="primary">Keep</button></div>
        </form>
        <section class="card" id="try"><h2>Try it</h2><form method="post" action="{{ route('adviser.try', $business) }}#try" class="stack">@csrf
            <x-field class="wide" label="a caller says"><input name="said" maxlength="500" required value="{{ old('said', 'the dumper has packed up again') }}"></x-field>
            <x-field class="wide" label="which of these is it?" hint="one a line"><textarea name="choices" rows="3" required>{{ old('choices', "a machine that does not work\na machine to be collected\na bill") }}</textarea></x-field>
            <div class="go"><button>Ask</button></div></form>
            @if ($tried)<p role="status"><strong>{{ ucfirst(\App\Models\Advice::WORDS[$tried->status]) }}</strong>{{ $tried->value === '' ? '' : ': '.(\Illuminate\Support\Str::match('/^'.preg_quote($tried->value, '/').': (.*)$/m', $tried->request['messages'][1]['content'] ?? '') ?: $tried->value) }}{{ $tried->why === '' ? '' : ', '.$tried->why }}, after {{ $tried->milliseconds }} ms</p>
                <details><summary>what was sent and what came back</summary><pre class="sample">{{ \App\Support\AdvicePage::written($tried) }}</pre><pre class="sample">{{ $tried->answer === '' ? 'nothing' : $tried->answer }}</pre></details>@endif
        </section>
        </div><div class="column">
        <section class="card"><h2>How far it is believed</h2>
            <ul class="plain-list">
                <li>It chooses one of the meanings Ringo offers, or quotes words of the caller. Anything else is thrown away and counted.</li>
                <li>Nothing it writes is ever spoken or kept as a value: the words it points at are read by Ringo, answers are the sentences of your own documents.</li>
                <li>It has {{ number_format(\App\Actions\Advice\AskAdviser::SECONDS, 1) }} seconds; after that the call goes on without it. After three failures running it is left alone for a minute.</li>
                <li>Fields that staff may not see, masked words, numbers of four digits or more and e-mail addresses are never sent.</li>
                <li>Its answers are kept with the call: replays and cases do not ask again.</li>
            </ul>
            <h3>Last thirty days</h3>
            <dl class="figures-line"><div><dt>asked</dt><dd>{{ $figures['asked'] }}</dd></div>@foreach ($figures['came'] as $status => $n)<div><dt>{{ \App\Models\Advice::WORDS[$status] }}</dt><dd>{{ $n }}</dd></div>@endforeach<div><dt>took on average</dt><dd>{{ $figures['milliseconds'] }} ms</dd></div><div><dt>cost</dt><dd>{{ number_format($figures['money'], 4) }}</dd></div><div><dt>a call</dt><dd>{{ $figures['calls'] === 0 ? '–' : number_format($figures['money'] / $figures['calls'], 5) }}</dd></div></dl>
        </section>
        @if ($standIn)
            <section class="card"><h2>Stand-in</h2><p class="muted">Made up, and asked over HTTP like a real one: it answers from a small table, and says “none” to all else.</p>
                <form method="post" action="{{ route('adviser.stand-in', $business) }}" class="inline-fields">@csrf<label><span class="sr">The stand-in </span><x-choice name="mode" :of="\App\Support\AdvicePage::STAND_IN" :chosen="\App\Support\AdvicePage::behaves($standIn)"/></label><label>by <input name="slow_ms" size="5" inputmode="numeric" value="{{ $standIn->slow_ms }}"> ms</label><button>Set</button></form></section>
        @endif
    </div></div>
    <section class="after-list"><header class="inline-fields"><h2>What was sent</h2>
        <nav class="came-of" aria-label="What came of it"><a href="{{ route('adviser', $business) }}" @if ($came === '') aria-current="true" @endif>all</a>@foreach (\App\Models\Advice::WORDS as $status => $words)<a href="{{ route('adviser', [$business, 'came' => $status]) }}" @if ($came === $status) aria-current="true" @endif>{{ $words }}</a>@endforeach</nav></header>
        @if ($asked->isEmpty())<p class="empty card">Nothing {{ $came === '' ? 'yet. Every request will stand here word for word, with what came back and what was made of it.' : 'of that kind.' }}</p>
        @else
            @include('parts.advices', ['times' => false])
            <nav class="pages" aria-label="Pages">@if ($asked->previousPageUrl())<a class="button" href="{{ $asked->previousPageUrl() }}">Newer</a>@endif @if ($asked->nextPageUrl())<a class="button" href="{{ $asked->nextPageUrl() }}">Older</a>@endif</nav>
        @endif
    </section>
</x-layout>
