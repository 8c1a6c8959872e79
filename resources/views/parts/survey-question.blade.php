@php
    $name = fn (string $key): string => "questions[{$i}][{$key}]";
    $kind = $row['kind'] ?? 'scale';
@endphp
<fieldset class="card survey-question" data-item>
    <legend class="sr">{{ $row['title'] ?? 'New question' }}</legend>
    <input type="hidden" name="{{ $name('key') }}" value="{{ $row['key'] ?? '' }}">@foreach ($row['option_keys'] ?? [] as $label => $key)<input type="hidden" name="{{ $name('option_keys') }}[{{ $label }}]" value="{{ $key }}">@endforeach
    <div class="survey-line"><span class="survey-number" aria-hidden="true"></span>
        <label class="field-label wide"><span>asks</span><textarea name="{{ $name('ask') }}" rows="1" data-grow maxlength="400">{{ $row['ask'] ?? '' }}</textarea></label>
        <label class="field-label"><span>answered by</span><select name="{{ $name('kind') }}" data-kind>@foreach (\Ringo\Survey\QuestionKind::cases() as $one)<option value="{{ $one->value }}" @selected($kind === $one->value)>{{ $one->words() }}</option>@endforeach</select></label>
        <label class="field-label"><span>short, for tables</span><input name="{{ $name('title') }}" maxlength="60" value="{{ $row['title'] ?? '' }}"></label>
        <span class="survey-moves"><button type="button" class="bare" data-up title="Before the one above"><x-icon name="arrow-up"/><span class="sr">Before the one above</span></button><button type="button" class="bare" data-remove title="Take it out"><x-icon name="x"/><span class="sr">Take it out</span></button></span></div>
    <div class="inline-fields survey-more">
        <span class="for-scale"><label class="field-label narrow"><span>from</span><input type="number" name="{{ $name('low') }}" min="0" max="9" value="{{ $row['low'] ?? 0 }}"></label><label class="field-label"><span>which is</span><input name="{{ $name('low_words') }}" maxlength="40" value="{{ $row['low_words'] ?? '' }}" placeholder="not at all"></label><label class="field-label narrow"><span>to</span><input type="number" name="{{ $name('high') }}" min="1" max="10" value="{{ $row['high'] ?? 10 }}"></label><label class="field-label"><span>which is</span><input name="{{ $name('high_words') }}" maxlength="40" value="{{ $row['high_words'] ?? '' }}" placeholder="very likely"></label></span>
        <label class="field-label for-choice"><span>the answers <small>one a line; keys 1 to 9 in this order</small></span><textarea name="{{ $name('options') }}" rows="3">{{ $row['options'] ?? '' }}</textarea></label>
        <label class="field-label for-spoken"><span>what people may say <small>one a line; the simulated public says it</small></span><textarea name="{{ $name('examples') }}" rows="2">{{ $row['examples'] ?? '' }}</textarea></label>
        <span class="survey-only"><label class="field-label narrow"><span>only if no.</span><input type="number" name="{{ $name('only_number') }}" min="1" max="40" value="{{ $row['only_number'] ?? '' }}"></label><label class="field-label"><span class="sr">how its answer is looked at</span><select name="{{ $name('only_how') }}">@foreach (\Ringo\Survey\Only::HOW as $how => $words)<option value="{{ $how }}" @selected(($row['only_how'] ?? 'is') === $how)>{{ $words }}</option>@endforeach</select></label><label class="field-label narrow"><span class="sr">what its answer must be</span><input name="{{ $name('only_value') }}" maxlength="60" value="{{ $row['only_value'] ?? '' }}" placeholder="no"></label></span>
    </div>
</fieldset>
