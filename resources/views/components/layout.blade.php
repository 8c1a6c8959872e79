@props(['title', 'business' => null, 'agent' => null, 'here' => '', 'plain' => false])
@php
    /** @var ?\App\Models\Business $business */
    $role = $business !== null && auth()->user() !== null ? auth()->user()->roleIn($business) : null;
    $designs = $role?->designs() ?? false;
@endphp
<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <title>{{ $title }}{{ $business ? ' · '.$business->name : '' }} · Ringo</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>
<body class="{{ $plain ? 'plain' : 'framed' }}">
<a class="skip" href="#main">Skip to the page</a>
@if ($plain)
    <main id="main">{{ $slot }}</main>
@else
    <header class="topbar">
        <a class="brand" href="{{ route('home') }}"><x-mark/><span>Ringo</span></a>
        <nav class="where" aria-label="Where you are">
            @if ($menu['businesses']->count() > 1)
                <details class="pick">
                    <summary>{{ $business->name ?? 'Businesses' }}</summary>
                    <ul>
                        @foreach ($menu['businesses'] as $one)
                            <li><a href="{{ route('board', $one) }}" @if ($one->id === $business?->id) aria-current="true" @endif>{{ $one->name }}</a></li>
                        @endforeach
                        <li><a href="{{ route('businesses') }}">All businesses</a></li>
                    </ul>
                </details>
            @else
                <a href="{{ $business ? route('board', $business) : route('businesses') }}">{{ $business->name ?? 'Businesses' }}</a>
            @endif
            @if ($agent)
                <span class="slash" aria-hidden="true">/</span>
                @if ($designs)
                    <details class="pick"><summary>{{ $agent->name }}</summary>
                        <ul>
                            @foreach ($business->agents()->get() as $one)<li><a href="{{ route('prompt-book', [$business, $one]) }}" @if ($one->id === $agent->id) aria-current="true" @endif>{{ $one->name }}</a></li>@endforeach
                            <li><a href="{{ route('agents', $business) }}">All agents</a></li>
                            <li><a href="{{ route('agent.new', $business) }}">New agent</a></li>
                        </ul>
                    </details>
                @else
                    <strong>{{ $agent->name }}</strong>
                @endif
                <span class="state" data-state>{{ app(\App\Support\AgentState::class)->inWords($agent) }}</span>
            @endif
        </nav>
        <div class="tools">
            @if ($business)
                <form class="find" role="search" action="{{ route('calls', $business) }}">
                    <label class="sr" for="find">Find calls by words, name or number</label>
                    <input id="find" name="q" type="search" placeholder="Find in calls" value="{{ $here === 'calls' ? request('q') : '' }}" data-find>
                    <kbd>/</kbd>
                </form>
            @endif
            @if ($agent && $designs)
                <button class="primary" type="button" data-ring><x-icon name="phone-call"/> Ring it <kbd>r</kbd></button>
            @endif
            <details class="pick me">
                <summary aria-label="Signed in as {{ auth()->user()->name }}"><x-icon name="user"/></summary>
                <ul>
                    <li class="who">{{ auth()->user()->name }}<br><small>{{ $role?->value }}</small></li>
                    <li><a href="{{ route('account') }}">Your account</a></li>
                    <li><a href="{{ route('businesses') }}">Businesses</a></li>
                    @if ($designs)<li><a href="{{ route('accounts', $business) }}">Accounts of {{ $business->name }}</a></li>@endif
                    <li><button type="button" data-shortcuts>Shortcuts <kbd>?</kbd></button></li>
                    <li><form method="post" action="{{ route('sign-out') }}">@csrf<button type="submit">Sign out</button></form></li>
                </ul>
            </details>
        </div>
    </header>
    <nav class="rail" aria-label="Sections">
        @if ($business)
            <a href="{{ route('board', $business) }}" @if ($here === 'board') aria-current="page" @endif><x-icon name="layout-dashboard"/> Board</a>
            @if ($designs)
                <h2>Prepare</h2>
                <a href="{{ route('brief', $business) }}" @if ($here === 'brief') aria-current="page" @endif><x-icon name="notebook-text"/> Brief</a>
                <a href="{{ route('agents', $business) }}" @if ($here === 'agents') aria-current="page" @endif><x-icon name="audio-lines"/> Agents</a>
            @endif
            @if ($designs)
                <a href="{{ route('knowledge', $business) }}" @if ($here === 'knowledge') aria-current="page" @endif><x-icon name="library"/> Knowledge</a>
            @endif
            @if ($designs && $agent)
                <a href="{{ route('prompt-book', [$business, $agent]) }}" @if ($here === 'prompt-book') aria-current="page" @endif><x-icon name="book-open-text"/> Prompt book</a>
            @endif
            @if ($designs && $agent)
                <a href="{{ route('sheet', [$business, $agent]) }}" @if ($here === 'sheet') aria-current="page" @endif><x-icon name="table-properties"/> Record sheet</a>
                <a href="{{ route('transfers', $business) }}" @if ($here === 'transfers') aria-current="page" @endif><x-icon name="cable"/> Transfers</a>
                <a href="{{ route('recognition', [$business, $agent]) }}" @if ($here === 'recognition') aria-current="page" @endif><x-icon name="scan-search"/> Recognition</a>
            @endif
            @if ($designs && $agent)
                <a href="{{ route('casebook', [$business, $agent]) }}" @if ($here === 'casebook') aria-current="page" @endif><x-icon name="book-check"/> Casebook @if ($menu['failing'] > 0)<span class="count" title="{{ $menu['failing'] }} cases fail on the draft">{{ $menu['failing'] }}</span>@endif</a>
            @endif
            @if ($designs)
                <a href="{{ route('errands', $business) }}" @if ($here === 'errands') aria-current="page" @endif><x-icon name="waypoints"/> Errands</a>
                <a href="{{ route('adviser', $business) }}" @if ($here === 'adviser') aria-current="page" @endif><x-icon name="glasses"/> Adviser</a>
            @endif
            <h2>Run</h2>
            @if ($designs)<a href="{{ route('lines', $business) }}" @if ($here === 'lines') aria-current="page" @endif><x-icon name="phone"/> Lines</a>@endif
            <a href="{{ route('callers', $business) }}" @if ($here === 'callers') aria-current="page" @endif><x-icon name="contact"/> Callers</a>
            <a href="{{ route('diary', $business) }}" @if ($here === 'diary') aria-current="page" @endif><x-icon name="calendar-days"/> Diary</a>
            @if ($designs)<a href="{{ route('outreach', $business) }}" @if ($here === 'outreach') aria-current="page" @endif><x-icon name="megaphone"/> Outreach</a>@endif
            <a href="{{ route('desk', $business) }}" @if ($here === 'desk') aria-current="page" @endif><x-icon name="headset"/> Desk</a>
            <h2>Learn</h2>
            <a href="{{ route('calls', $business) }}" @if ($here === 'calls') aria-current="page" @endif><x-icon name="list"/> Calls
            </a>
            <a href="{{ route('records', $business) }}" @if ($here === 'records') aria-current="page" @endif><x-icon name="clipboard-check"/> Records
                @if ($menu['toCheck'] > 0)<span class="count" title="{{ $menu['toCheck'] }} records to check">{{ $menu['toCheck'] }}</span>@endif
            </a>
            <a href="{{ route('figures', $business) }}" @if ($here === 'figures') aria-current="page" @endif><x-icon name="bar-chart-3"/> Figures</a>
            @if ($designs)<a href="{{ route('capacity', $business) }}" @if ($here === 'capacity') aria-current="page" @endif><x-icon name="gauge"/> Capacity</a>@endif
            <a href="{{ route('post', $business) }}" @if ($here === 'post') aria-current="page" @endif><x-icon name="mailbox"/> Post room
                @if ($menu['stuck'] > 0)<span class="count" title="{{ $menu['stuck'] }} deliveries did not arrive">{{ $menu['stuck'] }}</span>@endif
            </a>
            @if ($designs)<a href="{{ route('interface', $business) }}" @if ($here === 'interface') aria-current="page" @endif><x-icon name="plug"/> Interface</a>@endif
        @else
            <a href="{{ route('businesses') }}" @if ($here === 'businesses') aria-current="page" @endif><x-icon name="building-2"/> Businesses</a>
            <a href="{{ route('account') }}" @if ($here === 'account') aria-current="page" @endif><x-icon name="user"/> Your account</a>
        @endif
    </nav>
    <main id="main" tabindex="-1">
        @foreach (($errors ?? null)?->getBag(\App\Support\WrongAddress::BAG)->all() ?? [] as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
        @if (session('notice'))<p class="notice" role="status">{{ session('notice') }}</p>@endif
        @if (session('undo'))
            <form class="notice" role="status" method="post" action="{{ session('undo')['action'] }}">@csrf
                <span>{{ session('undo')['text'] }}</span> <button type="submit">Undo</button>
            </form>
        @endif
        {{ $slot }}
    </main>
    @if ($agent && $designs)
        @include('parts.handset', ['business' => $business, 'agent' => $agent])
    @endif
    <dialog id="shortcuts" class="shortcuts" aria-labelledby="shortcuts-title">
        <h2 id="shortcuts-title">Shortcuts</h2>
        <dl>
            <div><dt><kbd>r</kbd></dt><dd>Ring the draft</dd></div>
            <div><dt><kbd>/</kbd></dt><dd>Find in calls</dd></div>
            <div><dt><kbd>j</kbd> <kbd>k</kbd></dt><dd>Next and previous row</dd></div>
            <div><dt><kbd>Enter</kbd></dt><dd>Open the row</dd></div>
            <div><dt><kbd>n</kbd></dt><dd>New step after this one</dd></div>
            <div><dt><kbd>z</kbd></dt><dd>Take back the last change</dd></div>
            <div><dt><kbd>Alt</kbd> <kbd>↑</kbd><kbd>↓</kbd></dt><dd>Move the step</dd></div>
            <div><dt><kbd>a</kbd> <kbd>e</kbd> <kbd>x</kbd></dt><dd>Accept, correct, empty a value (Records)</dd></div>
            <div><dt><kbd>p</kbd></dt><dd>Pause a campaign, go on with it</dd></div>
            <div><dt><kbd>Esc</kbd></dt><dd>Close</dd></div>
            <div><dt><kbd>?</kbd></dt><dd>This list</dd></div>
        </dl>
        <form method="dialog"><button>Close <kbd>Esc</kbd></button></form>
    </dialog>
@endif
</body>
</html>
