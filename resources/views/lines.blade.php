<x-layout title="Lines" :business="$business" :agent="$agent" here="lines">
    <header class="head"><h1>Lines</h1><p class="sub">{{ $lines->count() === 1 ? '1 line' : $lines->count().' lines' }} · who answers when</p>
        <div class="actions"><a class="button" href="{{ route('exchange', $business) }}"><x-icon name="phone-incoming"/> Place a call</a><a class="button primary" href="{{ route('line.new', $business) }}"><x-icon name="plus"/> New line</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if (! $hours->given())<p class="card empty">The brief says no opening hours yet. A line that rings staff in opening hours needs them: <a href="{{ route('brief', $business) }}">write them in the brief</a>.</p>@endif
    @forelse ($lines as $line)
        <section class="line-card" aria-labelledby="line-{{ $line->key }}">
            <header><h2 id="line-{{ $line->key }}"><a href="{{ route('line', [$business, $line]) }}">{{ $line->name }}</a></h2> @include('parts.line-head') @if ($line->kind === 'button')<a href="{{ route('line.button', [$business, $line]) }}">on the client’s page</a>@endif
                @if ($line->release && $line->agent->latestRelease && $line->agent->latestRelease->number > $line->release->number)<span class="doubt">release {{ $line->agent->latestRelease->number }} is out</span>@endif</header>
            @foreach (array_slice($drawn[$line->key]['found'], 0, 3) as $one)<p class="line-found {{ $one['severity'] }}"><x-icon name="circle-alert"/> {{ $one['words'] }}</p>@endforeach
            <div class="card"><x-line-week :week="$drawn[$line->key]['week']" :calls="$drawn[$line->key]['calls']" :name="$line->name"/></div>
        </section>
    @empty
        <p class="card empty">No line yet. A line is a number, or a button on the client’s page, and says who answers it when: staff, an agent, or nobody. <a href="{{ route('line.new', $business) }}">Make the first one</a>.</p>
    @endforelse
</x-layout>
