<x-layout title="Ask the diary" :business="$business" :agent="$agent" here="diary">
    <header class="head"><h1>Ask the diary</h1><p class="sub"><a href="{{ route('diary', $business) }}">Diary</a> · what a caller would say, turn after turn; what is understood, offered, and why the rest is not</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($service === null)<p class="card empty">Nothing can be booked here yet. <a href="{{ route('diary.set-up', $business) }}">Say what can be, and with whom.</a></p>
    @else
    <form method="get" class="card">@foreach ($said as $words)<input type="hidden" name="said[]" value="{{ $words }}">@endforeach
        <div class="inline-fields"><x-field label="service"><x-choice name="service" :of="collect($diaries->services)->pluck('label', 'key')" :chosen="$service->key"/></x-field>
            @if ($diaries->travel->areas() !== [])<x-field label="where"><x-choice name="area" :of="array_combine($diaries->travel->areas(), $diaries->travel->areas())" :chosen="$area" none="anywhere"/></x-field>@endif
            <x-field class="wide" :label="$said === [] ? 'a caller says' : 'and then'"><input name="said[]" autofocus placeholder="some time next week, but not Friday"></x-field><button class="primary">Ask <kbd>Enter</kbd></button>@if ($said !== [])<a class="button" href="{{ route('diary.ask', [$business, 'service' => $service->key, 'area' => $area]) }}">Begin again</a>@endif</div></form>
    <div class="release-body">
        <section class="ask-turns" aria-label="Turns">
            @forelse ($turns as $turn)
                <article class="card ask-turn"><p class="voice caller">“{{ $turn['said'] }}”</p>@unless ($turn['understood'])<p class="doubt-note">This says nothing new about when; the wish is what it was.</p>@endunless
                    <p class="muted">Wished for: @forelse (array_slice($turn['offer']->windows, 0, 6) as $window){{ (new DateTimeImmutable($window[0]))->format('D j M') }}{{ substr($window[0], 11) === '00:00' ? (substr($window[1], 11) === '00:00' ? '' : ' before '.substr($window[1], 11)) : (substr($window[1], 11) === '00:00' ? ' from '.substr($window[0], 11) : ' '.substr($window[0], 11).' to '.substr($window[1], 11)) }}{{ $loop->last ? (count($turn['offer']->windows) > 6 ? ' …' : '') : '; ' }}@empty no day that can be booked @endforelse</p>
                    <p>{{ $turn['offer']->met ? 'Offers' : 'Nothing there: '.$turn['offer']->why.'. The nearest' }}: @forelse ($turn['offer']->starts as $start)<strong>{{ $start->in($diaries->tz)->format('D j M, H:i') }}</strong> with {{ $diaries->diaries[$start->diary]->name }}{{ $loop->last ? '' : ', ' }}@empty none @endforelse</p></article>
            @empty<p class="card empty">Write what a caller would say, such as “mornings are best, Thursday if you can”, and press Enter.</p>@endforelse
        </section>
        @if ($turns !== [])<section class="card" aria-labelledby="not-title"><h2 id="not-title">Wished for, and not free</h2><table class="list"><thead><tr><th>When</th><th>Who</th><th>Why not</th></tr></thead><tbody>@forelse ($refusals as $one)<tr><td>{{ $one['at'] }}</td><td>{{ $one['diary'] }}</td><td>{{ $one['why'] }}</td></tr>@empty<tr><td colspan="3" class="empty">Every start that was wished for within opening hours is free.</td></tr>@endforelse</tbody></table></section>@endif
    </div>
    @endif
</x-layout>
