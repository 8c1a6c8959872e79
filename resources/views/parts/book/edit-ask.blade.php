@php
    $field = $script->sheet->field($step['field']);
    $types = \Ringo\Sheet\FieldFormats::WORDS;
    $required = $step['required'] ?? $field?->required ?? false;
@endphp
<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<fieldset class="inline-fields">
    <legend>Fills</legend>
    <x-field label="field">
        <x-choice name="field" data-shows="field" data-reload :of="\App\Support\Offered::keys($script->sheet) + ['+new' => 'a new field …']" :chosen="$step['field']"/></x-field>
    <x-field label="its name" data-shown="field" data-when="+new" hidden><input name="new_field" data-commit placeholder="such as delivery date"></x-field>
    @if ($field)
        <input type="hidden" name="sheet[of]" value="{{ $field->key }}">
        <x-field label="an answer is"><x-choice name="sheet[type]" data-reload data-shows="type" :of="$types" :chosen="$field->type->value"/></x-field>
        <x-field label="called"><input name="sheet[title]" value="{{ $field->title }}"></x-field>
        <x-field label="example"><input name="sheet[example]" value="{{ $field->example }}" placeholder="read out as help"></x-field>
        <x-tick name="sheet[required]" value="1" :on="$field->required">the record must hold it</x-tick>
    @endif
</fieldset>
@if ($field)
    <x-choices name="sheet[choices]" :rows="\App\Support\Choices::rows($script->sheet->toArray()['properties'][$field->key] ?? [])" data-shown="type" data-when="choice several" :hidden="! in_array($field->type->value, ['choice', 'several'], true)"/>
@endif
<div class="inline-fields">
    <x-field label="read back"><x-choice name="confirm" :of="['' => 'as the field says', 'unsure' => 'when unsure', 'never' => 'never', 'always' => 'always', 'spelled' => 'spelled', 'digits' => 'in groups of digits']" :chosen="($step['confirm'] ?? '')"/></x-field>
    <x-field label="when it is known already"><x-choice name="known" :of="['skip' => 'pass by', 'check' => 'ask “is it still …?”', 'ask' => 'ask again']" :chosen="($step['known'] ?? 'skip')"/></x-field>
    <x-tick name="required" value="1" :on="$required">may not be declined</x-tick>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="answered, goes to"/>
</div>
<details class="more" @if (($step['reprompts'] ?? []) !== [] || isset($step['again']) || isset($step['help']) || isset($step['why'])) open @endif>
    <summary>Reprompts, help and reason</summary>
    <x-book.texts name="again" :texts="$texts('again')" label="Short form" add="a short form" :least="0" hint="asked after silence"/>
    <x-book.texts name="after_detour" :texts="$texts('after_detour')" label="After a detour" add="words after a detour" :least="0" hint="asked when a question of the caller's was answered"/>
    <x-book.texts name="second_visit" :texts="$texts('second_visit')" label="Second time" add="words for the second time" :least="0" hint="asked when the call comes here again"/>
    <x-book.texts name="reprompts" :texts="$texts('reprompts')" label="Reprompts" add="a reprompt" :least="0" hint="in order, when not understood"/>
    <div class="pair-fields">
        <x-field class="wide" label="help" hint="an example or explanation"><textarea name="help" rows="1" data-grow data-slots>{{ $step['help'] ?? '' }}</textarea></x-field>
        <x-field class="wide" label="reason" hint="said when somebody asks why, or refuses"><textarea name="why" rows="1" data-grow data-slots>{{ $step['why'] ?? '' }}</textarea></x-field>
    </div>
    @if ($field)
        <div class="pair-fields">
            <x-field class="wide" label="words that announce it" hint="commas between: my account number is"><input name="sheet[cues]" value="{{ implode(', ', $field->cues) }}"></x-field>
            <x-field label="pattern" hint="a regular expression"><input name="sheet[pattern]" value="{{ $field->pattern }}"></x-field>
            <x-field label="what it means"><input name="sheet[description]" value="{{ $field->description }}"></x-field>
        </div>
    @endif
</details>
<details class="more" @if (array_intersect_key($step, ['if_any' => 1, 'if_unknown' => 1, 'if_refused' => 1]) !== []) open @endif>
    <summary>Callers without an answer</summary>
    @foreach (['any' => 'does not mind which', 'unknown' => 'does not know', 'refused' => 'would rather not say'] as $where => $name)
        <fieldset class="inline-fields"><legend>{{ $name }}</legend>
            <x-field label="takes the value"><input name="if_{{ $where }}[take]" value="{{ is_scalar($step['if_'.$where]['take'] ?? null) ? $step['if_'.$where]['take'] : '' }}" placeholder="left empty"></x-field>
            <x-book.to :name="'if_'.$where.'[go]'" :value="$step['if_'.$where]['go'] ?? null" :script="$script" :self="$key" label="goes to" none="the next step"/>
        </fieldset>
    @endforeach
</details>
<x-book.way-out :step="$step" :script="$script" :self="$key" what="without an answer"/>
