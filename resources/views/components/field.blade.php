{{-- A control under its words: <x-field label="tone" hint="one a line"><input name="…"></x-field>. class: wide, narrow, grow; quiet: the words are
     there for readers of the page alone. --}}
@props(['label', 'hint' => null, 'hidden' => false, 'quiet' => false])
<label {{ $attributes->class(['field-label'])->merge(['hidden' => $hidden]) }}><span @if ($quiet) class="sr" @endif>{{ $label }}@if ($hint !== null && $hint !== '') <small>{{ $hint }}</small>@endif</span>{{ $slot }}</label>
