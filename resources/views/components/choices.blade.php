{{-- What may be chosen, a row each: name is that of the list in the form, rows as App\Support\Choices has them. --}}
@props(['name', 'rows'])
<div {{ $attributes->class(['choices']) }} data-list data-least="0">
    <div class="label">What may be chosen <small>key, what it is called, other words for it, facts of it</small></div>
    <div data-items class="grid-items">
        @foreach ($rows as $o => $row)<x-choices-row :name="$name.'['.$o.']'" :row="$row"/>@endforeach
    </div>
    <template data-blank data-token="__o__"><x-choices-row :name="$name.'[__o__]'" :row="[]"/></template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a choice</button>
</div>
