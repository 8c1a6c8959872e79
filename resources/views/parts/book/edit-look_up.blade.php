@php $keep = $step['keep'] ?? []; @endphp
<div class="inline-fields">
    <x-field label="errand"><x-choice name="errand" :of="\App\Support\Offered::orGone(array_column($errands->all(), 'label', 'key'), $step['errand'] ?? '')" :chosen="$step['errand'] ?? ''" :none="($step['errand'] ?? '') === '' ? 'choose one' : null"/></x-field>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="found, goes to"/>
    <x-book.to name="not_found" :value="$step['not_found'] ?? null" :script="$script" :self="$key" label="not found, goes to"/>
    <x-book.to name="failed" :value="$step['failed'] ?? null" :script="$script" :self="$key" label="failed, goes to"/>
    <x-book.to name="several" :value="$step['several'] ?? null" :script="$script" :self="$key" none="as failed" label="several, and none chosen"/>
    <x-book.to name="slow" :value="$step['slow'] ?? null" :script="$script" :self="$key" none="as failed" label="too slow"/>
</div>
<div class="texts" data-list data-least="0">
    <div class="label">Keeps <small>values of the answer in fields of the record; all of them can be spoken without</small></div>
    <div data-items class="grid-items sets">
        @foreach (array_keys($keep) as $i => $field)
            @include('parts.book.keep', ['i' => $i, 'field' => (string) $field, 'value' => $keep[$field]])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.keep', ['i' => '__i__', 'field' => '', 'value' => ''])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a field</button>
</div>
<x-book.texts name="waiting" :texts="$texts('waiting')" label="Says when it takes longer than a second and a half" add="own waiting words" :least="0"/>
@include('parts.book.values')
