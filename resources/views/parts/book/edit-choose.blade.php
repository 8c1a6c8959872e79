@php $reprompts = is_array($step['reprompts'] ?? null) ? $step['reprompts'] : []; @endphp
<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<div class="texts" data-list data-least="2">
    <div class="label">Options <small>key, what it is called, other words for it, where it leads</small></div>
    <div data-items class="grid-items options">
        @foreach (array_values($step['options'] ?? []) as $i => $option)
            @include('parts.book.option', ['i' => $i, 'option' => $option])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.option', ['i' => '__i__', 'option' => []])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> an option</button>
</div>
<div class="inline-fields">
    <x-field label="fills"><x-choice name="field" :of="collect($script->sheet->fields)->pluck('key', 'key')" :chosen="($step['field'] ?? null)" none="no field"/></x-field>
    <x-field class="narrow" label="key that repeats"><input name="repeat_key" value="{{ $step['repeat_key'] ?? '' }}" maxlength="1"></x-field>
</div>
<details class="more" @if ($reprompts !== [] || isset($step['again'])) open @endif>
    <summary>Short form and reprompts</summary>
    <x-book.texts name="again" :texts="$texts('again')" label="Short form" add="a short form" :least="0"/>
    <x-book.texts name="reprompts[silence]" :texts="$reprompts['silence'] ?? []" label="After silence" add="a reprompt" :least="0"/>
    <x-book.texts name="reprompts[nonsense]" :texts="$reprompts['nonsense'] ?? []" label="Not understood" add="a reprompt" :least="0"/>
    <x-book.texts name="reprompts[wrong_key]" :texts="$reprompts['wrong_key'] ?? []" label="A wrong key" add="a reprompt" :least="0"/>
</details>
<x-book.way-out :step="$step" :script="$script" :self="$key" what="with nothing chosen"/>
