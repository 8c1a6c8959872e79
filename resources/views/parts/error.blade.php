@php
    // Whoever is signed in and stands in a business keeps its frame; where even that may not work, a plain page is enough.
    $business = null;
    try {
        $found = auth()->check() ? \App\Models\Business::query()->where('key', (string) request()->segment(1))->first() : null;
        $business = $found !== null && auth()->user()->can('enter', $found) ? $found : null;
    } catch (\Throwable) {
        $business = null;
    }
@endphp
@if ($business)
    <x-layout :title="$title" :business="$business"><header class="head"><h1>{{ $title }}</h1></header><section class="card"><p>{{ $words }}</p><p><a class="button" href="{{ route('board', $business) }}">Back to the Board</a></p></section></x-layout>
@else
    <x-layout :title="$title" :plain="true"><div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>{{ $title }}</h2><p>{{ $words }}</p><p><a class="button" href="/">Back to the Board</a></p></div></x-layout>
@endif
