<x-layout title="New agent" :business="$business" :agent="null" here="agents">
    <header class="head"><h1>A new agent for {{ $business->name }}</h1><p class="sub">A starter is a whole conversation with blanks to fill; the inspection finds every one of them before a release.</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="starters">
        @foreach ($starters as $starter)
            <article class="card starter" aria-labelledby="starter-{{ $starter['key'] }}">
                <h2 id="starter-{{ $starter['key'] }}"><a href="{{ route('starter', [$business, $starter['key']]) }}">{{ $starter['title'] }}</a></h2>
                <p>{{ $starter['purpose'] }}</p>
                <p class="opening"><button type="button" class="bare" data-hear="{{ route('starter.audio', [$business, $starter['key'], 0]) }}" aria-label="Hear its opening"><x-icon name="play"/></button> <span class="voice agent">“{{ $starter['opening'] }}”</span></p>
                <p class="muted">{{ $starter['steps'] }} steps, {{ count($starter['blanks']) }} {{ count($starter['blanks']) === 1 ? 'blank' : 'blanks' }} to fill, {{ $starter['direction'] === 'outbound' ? 'places calls' : 'answers calls' }}.</p>
                <p><a class="button" href="{{ route('starter', [$business, $starter['key']]) }}">A sample call, read and heard</a></p>
            </article>
        @endforeach
    </div>
    <div class="other-ways">
        <section class="card" aria-labelledby="from-blank">
            <h2 id="from-blank">From blank</h2>
            <form method="post" action="{{ route('agent.store', $business) }}" class="stack">@csrf<input type="hidden" name="from" value="blank">
                <x-field label="name, as callers hear it"><input name="name" required maxlength="60" value="{{ old('name') }}"></x-field>
                <x-field label="it"><x-choice name="direction" :of="['inbound' => 'answers calls', 'outbound' => 'places calls']"/></x-field>
                <button>Make it</button>
            </form>
        </section>
        <section class="card" aria-labelledby="from-copy">
            <h2 id="from-copy">A copy</h2>
            @if ($agents->isEmpty())<p class="empty">There is no agent here to copy yet.</p>@else
            <form method="post" action="{{ route('agent.store', $business) }}" class="stack">@csrf<input type="hidden" name="from" value="copy">
                <x-field label="of"><x-choice name="copy" :of="collect($agents)->pluck('name', 'key')"/></x-field>
                <x-field label="name, as callers hear it"><input name="name" required maxlength="60"></x-field>
                <button>Copy it</button>
            </form>@endif
        </section>
        <section class="card" aria-labelledby="from-file">
            <h2 id="from-file">From a file</h2>
            <form method="post" action="{{ route('agent.preview', $business) }}" enctype="multipart/form-data" class="stack">@csrf
                <x-field label="an agent’s document (JSON)"><input type="file" name="file" accept=".json,application/json" required></x-field>
                <button>Look at what it would make</button>
            </form>
        </section>
    </div>
</x-layout>
