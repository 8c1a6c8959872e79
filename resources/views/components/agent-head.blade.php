@props(['business', 'agent', 'here', 'title', 'sub' => ''])
<header class="head">
    <h1>{{ $title }}</h1>
    <nav class="views" aria-label="Views of {{ $agent->name }}">
        @foreach (['book' => ['prompt-book', 'Book'], 'map' => ['call-map', 'Call map'], 'foresight' => ['foresight', 'What callers will say'], 'text' => ['script-text', 'Text'], 'agent' => ['agent', 'Agent'], 'recordings' => ['agent.recordings', 'Recordings'], 'crowds' => ['crowds', 'Crowds'], 'guests' => ['guests', 'Guests'], 'releases' => ['releases', 'Releases']] as $name => [$route, $words])
            <a href="{{ route($route, [$business, $agent]) }}" @if ($here === $name) aria-current="page" @endif>{{ $words }}</a>
        @endforeach
    </nav>
    @if ($sub !== '')<p class="sub">{{ $sub }}</p>@endif
</header>
