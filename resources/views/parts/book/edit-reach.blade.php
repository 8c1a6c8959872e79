<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="the right person, goes to"/>
    <x-book.to name="somebody_else" :value="$step['somebody_else'] ?? null" :script="$script" :self="$key" label="somebody else, goes to" none="ends, not reached"/>
    <x-book.to name="wrong_number" :value="$step['wrong_number'] ?? null" :script="$script" :self="$key" label="wrong number, goes to" none="says sorry and ends"/>
    <x-field label="when to ring again goes into"><select name="ring_again"><option value="">nowhere</option>@foreach ($script->sheet->fields as $one)@if ($one->type === \Ringo\Value\ValueType::DateTime)<option value="{{ $one->key }}" @selected($one->key === ($step['ring_again'] ?? ''))>{{ $one->key }}</option>@endif @endforeach</select></x-field>
</div>
<x-book.texts name="voicemail" :texts="$texts('voicemail')" label="Message after the tone" add="a message for voicemail" :least="0" hint="without one it hangs up"/>
