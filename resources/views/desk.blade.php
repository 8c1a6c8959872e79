<x-layout title="Desk" :business="$business" :agent="$agent" here="desk">
    <header class="head"><h1>Desk</h1>@if ($person)<p class="sub">{{ $person->name }}{{ $person->site !== '' ? ', '.$person->site : '' }}</p>@endif</header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($person === null)
        <form method="post" action="{{ route('desk.sit', $business) }}" class="card stack">@csrf<p>Transferred calls come to a desk. Who are you?</p><x-field label="person"><x-choice name="person" :of="collect($people)->mapWithKeys(static fn ($one) => [$one->key => $one->name.($one->site !== '' ? ', '.$one->site : '')])"/></x-field><button class="primary">Take a seat</button></form>
    @else
        <div data-desk data-url="{{ route('desk.state', $business) }}" data-base="{{ route('desk', $business) }}"><p class="error" data-desk-error role="alert" hidden></p><div data-desk-piece aria-live="polite">{!! $piece !!}</div></div>
    @endif
</x-layout>
