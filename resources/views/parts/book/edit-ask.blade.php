@php
    $field = $script->sheet->field($step['field']);
    $types = \Ringo\Sheet\FieldFormats::WORDS;
    $options = $field === null ? '' : implode("\n", array_map(static fn (array $o): string => $o['key'].' = '.implode(', ', [$o['label'], ...$o['phrases']]), $field->options));
    $required = $step['required'] ?? $field?->required ?? false;
@endphp
<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks" add="another way to ask" hint="type [ to put in a value"/>
<fieldset class="inline-fields">
    <legend>Fills</legend>
    <label class="field-label"><span>field</span>
        <select name="field" data-shows="field" data-reload>
            @foreach ($script->sheet->fields as $one)<option value="{{ $one->key }}" @selected($one->key === $step['field'])>{{ $one->key }}</option>@endforeach
            <option value="+new">a new field …</option>
        </select></label>
    <label class="field-label" data-shown="field" data-when="+new" hidden><span>its name</span><input name="new_field" data-commit placeholder="such as delivery date"></label>
    @if ($field)
        <input type="hidden" name="sheet[of]" value="{{ $field->key }}">
        <label class="field-label"><span>an answer is</span><select name="sheet[type]" data-reload data-shows="type">@foreach ($types as $type => $name)<option value="{{ $type }}" @selected($field->type->value === $type)>{{ $name }}</option>@endforeach</select></label>
        <label class="field-label"><span>called</span><input name="sheet[title]" value="{{ $field->title }}"></label>
        <label class="field-label"><span>example</span><input name="sheet[example]" value="{{ $field->example }}" placeholder="read out as help"></label>
        <label class="check"><input type="checkbox" name="sheet[required]" value="1" @checked($field->required)> the record must hold it</label>
    @endif
</fieldset>
@if ($field)
    <div class="pair-fields" data-shown="type" data-when="choice several" @if (! in_array($field->type->value, ['choice', 'several'], true)) hidden @endif>
        <label class="field-label wide"><span>what may be chosen <small>one a line: key = label, other words</small></span><textarea name="sheet[options]" rows="{{ max(3, min(8, count($field->options) + 1)) }}" data-grow>{{ $options }}</textarea></label>
    </div>
@endif
<div class="inline-fields">
    <label class="field-label"><span>read back</span><select name="confirm">@foreach (['' => 'as the field says', 'unsure' => 'when unsure', 'never' => 'never', 'always' => 'always', 'spelled' => 'spelled', 'digits' => 'in groups of digits'] as $policy => $name)<option value="{{ $policy }}" @selected(($step['confirm'] ?? '') === $policy)>{{ $name }}</option>@endforeach</select></label>
    <label class="field-label"><span>when it is known already</span><select name="known">@foreach (['skip' => 'pass by', 'check' => 'ask “is it still …?”', 'ask' => 'ask again'] as $known => $name)<option value="{{ $known }}" @selected(($step['known'] ?? 'skip') === $known)>{{ $name }}</option>@endforeach</select></label>
    <label class="check"><input type="checkbox" name="required" value="1" @checked($required)> may not be declined</label>
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="answered, goes to"/>
</div>
<details class="more" @if (($step['reprompts'] ?? []) !== [] || isset($step['again']) || isset($step['help']) || isset($step['why'])) open @endif>
    <summary>Reprompts, help and reason</summary>
    <x-book.texts name="again" :texts="$texts('again')" label="Short form" add="a short form" :least="0" hint="asked after silence"/>
    <x-book.texts name="after_detour" :texts="$texts('after_detour')" label="After a detour" add="words after a detour" :least="0" hint="asked when a question of the caller's was answered"/>
    <x-book.texts name="second_visit" :texts="$texts('second_visit')" label="Second time" add="words for the second time" :least="0" hint="asked when the call comes here again"/>
    <x-book.texts name="reprompts" :texts="$texts('reprompts')" label="Reprompts" add="a reprompt" :least="0" hint="in order, when not understood"/>
    <div class="pair-fields">
        <label class="field-label wide"><span>help <small>an example or explanation</small></span><textarea name="help" rows="1" data-grow data-slots>{{ $step['help'] ?? '' }}</textarea></label>
        <label class="field-label wide"><span>reason <small>said when somebody asks why, or refuses</small></span><textarea name="why" rows="1" data-grow data-slots>{{ $step['why'] ?? '' }}</textarea></label>
    </div>
    @if ($field)
        <div class="pair-fields">
            <label class="field-label wide"><span>words that announce it <small>commas between: my account number is</small></span><input name="sheet[cues]" value="{{ implode(', ', $field->cues) }}"></label>
            <label class="field-label"><span>pattern <small>a regular expression</small></span><input name="sheet[pattern]" value="{{ $field->pattern }}"></label>
            <label class="field-label"><span>what it means</span><input name="sheet[description]" value="{{ $field->description }}"></label>
        </div>
    @endif
</details>
<details class="more" @if (array_intersect_key($step, ['if_any' => 1, 'if_unknown' => 1, 'if_refused' => 1]) !== []) open @endif>
    <summary>Callers without an answer</summary>
    @foreach (['any' => 'does not mind which', 'unknown' => 'does not know', 'refused' => 'would rather not say'] as $where => $name)
        <fieldset class="inline-fields"><legend>{{ $name }}</legend>
            <label class="field-label"><span>takes the value</span><input name="if_{{ $where }}[take]" value="{{ is_scalar($step['if_'.$where]['take'] ?? null) ? $step['if_'.$where]['take'] : '' }}" placeholder="left empty"></label>
            <x-book.to :name="'if_'.$where.'[go]'" :value="$step['if_'.$where]['go'] ?? null" :script="$script" :self="$key" label="goes to" none="the next step"/>
        </fieldset>
    @endforeach
</details>
<x-book.way-out :step="$step" :script="$script" :self="$key" what="without an answer"/>
