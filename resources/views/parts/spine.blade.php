@php
    /** @var array{lane: int, above: bool, below: bool, through: list<int>, joins: list<int>, forks: list<array{lane: int, aside: bool}>, back: list<string>} $spine */
    $x = fn (int $lane): int => 16 + 18 * $lane;
    $y = 26;
    $n = $x($spine['lane']);
    $tone = fn (int $lane): string => 'track tone-'.($lane % 5);
@endphp
<svg class="spine" width="{{ 18 * $lanes + 16 }}" height="100%" aria-hidden="true" focusable="false">
    @foreach ($spine['through'] as $lane)
        <line x1="{{ $x($lane) }}" x2="{{ $x($lane) }}" y1="0" y2="100%" class="{{ $tone($lane) }}"/>
    @endforeach
    @if ($spine['above'])<line x1="{{ $n }}" x2="{{ $n }}" y1="0" y2="{{ $y }}" class="{{ $tone($spine['lane']) }}"/>@endif
    @foreach ($spine['joins'] as $lane)
        <path d="M{{ $x($lane) }} 0 C{{ $x($lane) }} {{ $y - 4 }} {{ $n }} {{ $y - 20 }} {{ $n }} {{ $y }}" class="{{ $tone($lane) }}"/>
    @endforeach
    @if ($spine['below'])<line x1="{{ $n }}" x2="{{ $n }}" y1="{{ $y }}" y2="100%" class="{{ $tone($spine['lane']) }}"/>@endif
    @foreach ($spine['forks'] as $fork)
        <path d="M{{ $n }} {{ $y }} C{{ $n }} {{ $y + 16 }} {{ $x($fork['lane']) }} {{ $y + 4 }} {{ $x($fork['lane']) }} {{ $y + 24 }}" class="{{ $tone($fork['lane']) }} {{ $fork['aside'] ? 'aside' : '' }}"/>
        @unless (in_array($fork['lane'], $spine['through'], true))<line x1="{{ $x($fork['lane']) }}" x2="{{ $x($fork['lane']) }}" y1="{{ $y + 24 }}" y2="100%" class="{{ $tone($fork['lane']) }} {{ $fork['aside'] ? 'aside' : '' }}"/>@endunless
    @endforeach
    @if (in_array($kind, ['choose', 'listen', 'branch'], true))
        <rect x="{{ $n - 6 }}" y="{{ $y - 6 }}" width="12" height="12" transform="rotate(45 {{ $n }} {{ $y }})" class="node"/>
    @elseif ($kind === 'finish')
        <rect x="{{ $n - 7 }}" y="{{ $y - 4 }}" width="14" height="8" rx="2" class="node end"/>
    @elseif ($kind === 'ask')
        <circle cx="{{ $n }}" cy="{{ $y }}" r="6" class="node"/>
    @else
        <circle cx="{{ $n }}" cy="{{ $y }}" r="4" class="node small"/>
    @endif
</svg>
