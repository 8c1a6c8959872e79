<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<div class="inline-fields">
    <x-field label="checks by"><x-choice name="by" data-shows="by" :of="\App\Support\Book\Steps\VerifyBook::BY" :chosen="($step['by'] ?? '')"/></x-field>
    <x-field class="narrow" label="tries"><input name="tries" type="number" min="1" max="5" value="{{ $step['tries'] ?? 3 }}"></x-field>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="checked, goes to"/>
    <x-book.to name="failed" :value="$step['failed'] ?? null" :script="$script" :self="$key" label="nothing on file, goes to"/>
    <x-book.to name="locked" :value="$step['locked'] ?? null" :script="$script" :self="$key" label="tries used up, goes to"/>
</div>
<div data-shown="by" data-when="any_two" @if (($step['by'] ?? '') !== 'any_two') hidden @endif>
    <fieldset class="inline-fields"><legend>Any two of <small>each asked for in its turn; at least two</small></legend>
        @foreach (\App\Support\Book\Steps\VerifyBook::FACTS as $fact => $name)<x-tick name="facts[]" value="{{ $fact }}" :on="in_array($fact, $step['facts'] ?? [], true)">{{ $name }}</x-tick>@endforeach
    </fieldset>
    <x-book.texts name="second" :texts="$texts('second')" label="Asks for the second" add="words for the second question" :least="0"/>
</div>
