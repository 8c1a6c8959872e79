@props(['name', 'texts', 'label', 'add', 'slots' => true, 'least' => 1, 'hint' => null])
@php $list = $texts === [] && $least > 0 ? [''] : $texts; @endphp
<div class="texts" data-list data-least="{{ $least }}">
    <div class="label">{{ $label }}@if ($hint) <small>{{ $hint }}</small>@endif</div>
    <div data-items>
        @foreach ($list as $i => $text)
            <div class="text-item" data-item>
                <textarea name="{{ $name }}[]" rows="1" aria-label="{{ $label }} {{ $i + 1 }}" @if ($slots) data-slots @endif data-grow>{{ $text }}</textarea>
                <button type="button" class="bare" data-remove title="Take this one out"><x-icon name="x"/><span class="sr">Take out</span></button>
            </div>
        @endforeach
    </div>
    <template data-blank>
        <div class="text-item" data-item>
            <textarea name="{{ $name }}[]" rows="1" aria-label="{{ $label }}" @if ($slots) data-slots @endif data-grow></textarea>
            <button type="button" class="bare" data-remove title="Take this one out"><x-icon name="x"/><span class="sr">Take out</span></button>
        </div>
    </template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> {{ $add }}</button>
</div>
