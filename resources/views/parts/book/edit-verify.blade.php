<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<div class="inline-fields">
    <label class="field-label"><span>checks by</span><select name="by">@foreach (['postcode' => 'the postcode on file', 'pin' => 'the PIN', 'birth_date' => 'the date of birth', 'code' => 'a code sent to the number on file'] as $by => $name)<option value="{{ $by }}" @selected(($step['by'] ?? '') === $by)>{{ $name }}</option>@endforeach</select></label>
    <label class="field-label narrow"><span>tries</span><input name="tries" type="number" min="1" max="5" value="{{ $step['tries'] ?? 3 }}"></label>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="checked, goes to"/>
    <x-book.to name="failed" :value="$step['failed'] ?? null" :script="$script" :self="$key" label="nothing on file, goes to"/>
    <x-book.to name="locked" :value="$step['locked'] ?? null" :script="$script" :self="$key" label="tries used up, goes to"/>
</div>
