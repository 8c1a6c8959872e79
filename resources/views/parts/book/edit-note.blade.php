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
<div class="inline-fields">
    <label class="field-label"><span>outcome so far</span><input name="outcome" value="{{ $step['outcome'] ?? '' }}"></label>
    <label class="field-label"><span>tag</span><input name="tag" value="{{ $step['tag'] ?? '' }}"></label>
    <label class="field-label"><span>forgets <small>fields, commas between</small></span><input name="forget" value="{{ implode(', ', $step['forget'] ?? []) }}"></label>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/>
</div>
@include('parts.book.values')
