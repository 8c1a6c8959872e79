@php /** @var list<\Ringo\Inspection\Finding> $findings */ @endphp
@forelse ($findings as $finding)
    <li class="{{ $finding->severity->value }}">
        <x-severity :of="$finding->severity->value"/>
        <span class="sr">{{ $finding->severity->value }}</span>
        @if ($finding->step)<a href="#step-{{ $finding->step }}" data-goto="{{ $finding->step }}">{{ $finding->step }}</a>@else<span class="whole">the whole</span>@endif
        <span class="message">{{ $finding->message }}</span>
        @if ($finding->fix)<button type="button" data-fix="{{ $finding->id() }}">{{ $finding->fix->words }}</button>@endif
    </li>
@empty
    <li class="none">Nothing found. Ring it to hear how it sounds.</li>
@endforelse
