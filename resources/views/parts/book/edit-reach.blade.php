<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="the right person, goes to"/>
    <x-book.to name="somebody_else" :value="$step['somebody_else'] ?? null" :script="$script" :self="$key" label="somebody else, goes to" none="ends, not reached"/>
    <x-book.to name="wrong_number" :value="$step['wrong_number'] ?? null" :script="$script" :self="$key" label="wrong number, goes to" none="says sorry and ends"/>
    <x-field label="when to ring again goes into"><x-choice name="ring_again" :of="\App\Support\Offered::keys($script->sheet, \Ringo\Value\ValueType::DateTime)" :chosen="$step['ring_again'] ?? ''" none="nowhere"/></x-field>
</div>
<x-book.texts name="voicemail" :texts="$texts('voicemail')" label="Message after the tone" add="a message for voicemail" :least="0" hint="without one it hangs up"/>
