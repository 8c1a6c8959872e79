<x-book.texts name="prompt" :texts="$texts('prompt')" label="Last words" add="another way to say it" hint="type [ to put in a value"/>
<div class="inline-fields"><x-field label="outcome"><input name="outcome" value="{{ $step['outcome'] ?? '' }}" placeholder="as noted before"></x-field></div>
