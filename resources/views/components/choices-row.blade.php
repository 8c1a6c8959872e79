@props(['name', 'row'])
@php $row = is_array($row) ? $row : []; @endphp
<div class="grid-item" data-item>
    <input name="{{ $name }}[key]" value="{{ $row['key'] ?? '' }}" class="mono" spellcheck="false" aria-label="key" placeholder="from its name">
    <input name="{{ $name }}[label]" value="{{ $row['label'] ?? '' }}" aria-label="what it is called" placeholder="what it is called">
    <input name="{{ $name }}[phrases]" value="{{ $row['phrases'] ?? '' }}" aria-label="other words for it" placeholder="other words, commas between">
    <input name="{{ $name }}[facts]" value="{{ $row['facts'] ?? '' }}" aria-label="facts of it" placeholder="day_rate: £45; deposit: £100">
    <button type="button" class="bare" data-remove title="Take this choice out"><x-icon name="x"/><span class="sr">Take out {{ $row['label'] ?? '' }}</span></button>
</div>
