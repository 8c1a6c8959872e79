@php $set = $step['set'] ?? []; @endphp
<div class="texts" data-list data-least="0">
    <div class="label">Sets <small>a field to a value</small></div>
    <div data-items class="grid-items sets">
        @foreach (array_keys($set) as $i => $field)
            @include('parts.book.set', ['i' => $i, 'field' => (string) $field, 'value' => $set[$field]])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.set', ['i' => '__i__', 'field' => '', 'value' => ''])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a field</button>
</div>
@php $workOut = $step['work_out'] ?? []; @endphp
<div data-list data-least="0" class="texts">
    <div class="label">Works out <small>a field from others: a value or fact times a number; surcharges with conditions are written in the text view</small></div>
    <div data-items class="grid-items sums">
        @foreach (array_keys($workOut) as $i => $field)
            @include('parts.book.work-out', ['i' => $i, 'field' => (string) $field, 'one' => $workOut[$field]])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.work-out', ['i' => '__i__', 'field' => '', 'one' => []])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a sum</button>
</div>
<div class="inline-fields">
    <x-field label="outcome so far"><input name="outcome" value="{{ $step['outcome'] ?? '' }}"></x-field>
    <x-field label="tag"><input name="tag" value="{{ $step['tag'] ?? '' }}"></x-field>
    <x-field label="forgets" hint="fields, commas between"><input name="forget" value="{{ implode(', ', $step['forget'] ?? []) }}"></x-field>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/>
</div>
@include('parts.book.values')
