<x-book.texts name="prompt" :texts="$texts('prompt')" label="Last words" add="another way to say it" hint="type [ to put in a value"/>
<div class="inline-fields"><label class="field-label"><span>outcome</span><input name="outcome" value="{{ $step['outcome'] ?? '' }}" placeholder="as noted before"></label></div>
