@props(['business', 'area'])
@php $last = $area->last($business); @endphp
<p class="at-once"><x-icon name="info"/> <span>{{ $area->follows() }}, from the next one on and without a release.@if ($last) Last: {{ $last->words }}, by {{ $last->user->name ?? 'Ringo' }} on {{ $last->created_at->setTimezone($business->tz)->format('j F, H:i') }}.@endif</span></p>
