<x-book.texts name="prompt" :texts="$texts('prompt')" label="Says" add="another way to say it" hint="type [ to put in a value"/>
<div class="inline-fields"><x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="then goes to"/></div>
