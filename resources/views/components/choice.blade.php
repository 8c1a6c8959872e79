{{-- One of several: of is value => words, chosen the value that stands, none the words of the empty choice where there is one. --}}
@props(['of', 'chosen' => null, 'none' => null])
<select {{ $attributes }}>@if ($none !== null)<option value="">{{ $none }}</option>@endif @foreach ($of as $value => $words)<option value="{{ $value }}" @selected($chosen !== null && (string) $chosen === (string) $value)>{{ $words }}</option>@endforeach</select>
