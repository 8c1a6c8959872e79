<x-layout :title="'On the client’s page, '.$line->name" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>On the client’s page</h1><p class="sub line-sub"><a href="{{ route('lines', $business) }}">Lines</a> <a href="{{ route('line', [$business, $line]) }}">{{ $line->name }}</a> @include('parts.line-head')</p><div class="actions"><a class="button" href="{{ $site }}" target="_blank" rel="noopener"><x-icon name="external-link"/> The made-up page</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="brief-body">
        <div class="brief-form">
            <form class="card" method="post" enctype="multipart/form-data" action="{{ route('line.button.set', [$business, $line]) }}">@csrf @method('put')<h2>How it looks</h2>
                <div class="inline-fields"><x-field label="words on it"><input name="label" required maxlength="30" value="{{ old('label', $button->label) }}"></x-field>
                    <x-field label="button"><input type="color" name="colour" value="{{ old('colour', $button->colour) }}"></x-field><x-field label="words"><input type="color" name="ink" value="{{ old('ink', $button->ink) }}"></x-field>
                    <x-field label="stands at the"><x-choice name="corner" :of="\Ringo\Line\Button::CORNERS" :chosen="old('corner', $button->corner)"/></x-field>
                    <x-tick name="spoken" value="1" :on="$button->spoken">the agent is heard, with its words beside</x-tick></div>
                <div class="inline-fields"><x-field label="picture beside the words" :hint="'PNG, JPEG or WebP, up to '.(\Ringo\Line\Button::LARGEST_PICTURE / 1000).' KB'"><input type="file" name="picture" accept="image/png,image/jpeg,image/webp"></x-field>
                    @if ($button->picture)<img class="button-picture" src="{{ route('button.picture', $line->token) }}?{{ substr(hash('sha256', $button->picture), 0, 12) }}" alt="the picture on the button" width="28" height="28"><x-tick name="no_picture" value="1">no picture any more</x-tick>@endif</div>
                <p class="muted">Contrast {{ number_format(\Ringo\Line\Button::contrast($button->colour, $button->ink), 1) }}; below {{ \Ringo\Line\Button::LEAST_CONTRAST }} the words cannot be read and the pair is refused.</p>
                <x-field class="wide" label="to be accepted first" hint="empty: nothing"><textarea name="terms" rows="2" maxlength="600">{{ old('terms', $button->terms) }}</textarea></x-field>
                <x-field class="wide" label="address of the terms in full"><input name="terms_at" maxlength="300" value="{{ old('terms_at', $button->termsAt) }}" placeholder="https://www.example.com/terms"></x-field>
                @if ($campaigns->isNotEmpty())<x-field label="a number that is left where nobody answers" hint="goes to"><x-choice name="rung_by" :of="collect($campaigns)->mapWithKeys(static fn ($one) => [$one->key => $one->name.', which rings it'])" :chosen="old('rung_by', $button->rungBy)" none="the Desk"/></x-field>@endif
                <x-field class="wide" label="pages it may stand on" hint="an origin a line, such as https://www.example.com"><textarea name="origins" rows="3">{{ old('origins', implode("\n", $button->origins)) }}</textarea></x-field>
                <div class="go"><button class="primary">Keep</button></div></form>
            <section class="card"><h2>What was called from where</h2>
                @forelse ($from as $one)<p class="line"><span class="what"><strong>{{ $one->origin }}</strong></span><span class="why">{{ $one->n }} {{ $one->n === 1 ? 'call' : 'calls' }}</span><span class="when">last {{ \Illuminate\Support\Carbon::parse($one->last, 'UTC')->setTimezone($business->tz)->format('j M, H:i') }}</span></p>
                @empty<p class="empty">Nothing yet. Open the made-up page and press the button.</p>@endforelse
                @foreach ($calls as $call)<a class="line" href="{{ route('call', [$business, $call]) }}"><span class="when stamp">{{ $call->placedAt()->format('D j M, H:i') }}</span><span class="what">{{ $call->inProgress() ? 'in progress' : $call->outcome }}</span><span class="when">{{ round($call->seconds) }} s</span></a>@endforeach</section>
        </div>
        <div class="brief-side">
            <section class="card"><h2>The code to copy</h2><p>One tag, anywhere in the page:</p><pre class="copy" tabindex="0"><code>&lt;script src="{{ $script }}"
  data-line="{{ $line->token }}" async&gt;&lt;/script&gt;</code></pre>
                <p class="muted">Where the page has a content security policy, it must allow:</p><pre class="copy" tabindex="0"><code>{{ str_replace('; ', ";\n", $policy) }}</code></pre>
                <p class="muted">Labels follow the page’s language: English, German, French, Welsh; <code>data-lang="de"</code> chooses one. No cookie is set, and nothing is kept in the browser.</p>
                <form method="post" action="{{ route('line.button.token', [$business, $line]) }}">@csrf<button title="Pages that carry the old code show no button any more">Another code</button></form></section>
            <section class="card"><h2>When it is answered</h2><p>As <a href="{{ route('line', [$business, $line]) }}">the line</a> says. Where nobody answers, the visitor may leave a number to be rung on; it goes to the Desk, or to a campaign that rings it.</p></section>
        </div>
    </div>
</x-layout>
