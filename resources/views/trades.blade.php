<x-layout title="Trades" :business="$business" :agent="$agent" here="prompt-book">
    <header class="head"><h1>Trades</h1><p class="sub">{{ $count }} kinds of business with what their callers say, ask and are asked. Agents are matched to the nearest.</p>
        <div class="actions"><a class="button primary" href="{{ route('trade.new', $business) }}"><x-icon name="plus"/> Write a trade</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="release-body">
        <section class="card" aria-labelledby="own-title"><h2 id="own-title">Written here</h2>
            @forelse ($own as $one)<p class="line"><a href="{{ route('trade', [$business, $one]) }}"><strong>{{ $one->label }}</strong></a> <span class="muted">{{ count($one->trade()->sayings) }} sayings, {{ count($one->trade()->questions) }} questions</span> <a href="{{ route('trade.export', [$business, $one->key]) }}"><x-icon name="download"/> file</a></p>@empty<p class="empty">None yet. Write what callers of your client’s kind of business say, or take one that ships as a beginning.</p>@endforelse
            <form method="post" action="{{ route('trade.import', $business) }}" enctype="multipart/form-data" class="inline-fields">@csrf<x-field label="bring in a file"><input type="file" name="file" accept=".json,application/json" required></x-field><button>Bring it in</button></form>
        </section>
        <section class="card" aria-labelledby="ship-title"><h2 id="ship-title">All trades</h2>
            <form class="inline-fields" method="get"><x-field label="find"><input name="find" value="{{ $find }}" placeholder="vet"></x-field><button>Find</button></form>
            <ul class="trade-list">@forelse ($found as $key => $label)<li>{{ $label }} <span class="muted"><a href="{{ route('trade.new', [$business, 'from' => $key]) }}">begin from it</a> · <a href="{{ route('trade.export', [$business, $key]) }}">file</a></span></li>@empty<li class="empty">No trade is called that.</li>@endforelse</ul>
        </section>
    </div>
</x-layout>
