{{-- A box, or with type="radio" one of several, before its words: <x-tick name="active" value="1" :on="$active">switched on</x-tick>. --}}
@props(['on' => false, 'type' => 'checkbox'])
<label class="check"><input type="{{ $type }}" {{ $attributes }} @checked($on)> {{ $slot }}</label>
