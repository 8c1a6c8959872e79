<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask"/>
<div class="inline-fields">
    <x-field label="keeps them in"><x-choice name="list" :of="\App\Support\Offered::keys($script->sheet, \Ringo\Value\ValueType::Items)" :chosen="$step['list'] ?? ''"/></x-field>
    <x-field class="narrow" label="at most"><input name="most" type="number" min="2" max="20" value="{{ $step['most'] ?? 5 }}"></x-field>
    <x-book.to name="first" :value="$step['first'] ?? null" :script="$script" :self="$key" label="another, begins at"/>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="no more, goes to"/>
</div>
<fieldset class="inline-fields">
    <legend>Each one takes <small>emptied for the next round</small></legend>
    @php $list = $script->sheet->field($step['list'] ?? ''); @endphp
    @foreach ($list?->items ?? [] as $one)<x-tick name="fields[]" value="{{ $one->key }}" :on="in_array($one->key, $step['fields'] ?? [], true)">{{ $one->title }}</x-tick>@endforeach
</fieldset>
