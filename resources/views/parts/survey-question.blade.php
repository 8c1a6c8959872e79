@php
    $name = fn (string $key): string => "questions[{$i}][{$key}]";
    $kind = $row['kind'] ?? 'scale';
@endphp
<fieldset class="card survey-question" data-item>
    <legend class="sr">{{ $row['title'] ?? 'New question' }}</legend>
    <input type="hidden" name="{{ $name('key') }}" value="{{ $row['key'] ?? '' }}">@foreach ($row['option_keys'] ?? [] as $label => $key)<input type="hidden" name="{{ $name('option_keys') }}[{{ $label }}]" value="{{ $key }}">@endforeach
    <div class="survey-line"><span class="survey-number" aria-hidden="true"></span>
        <x-field class="wide" label="asks"><textarea name="{{ $name('ask') }}" rows="1" data-grow maxlength="400">{{ $row['ask'] ?? '' }}</textarea></x-field>
        <x-field label="answered by"><x-choice name="{{ $name('kind') }}" data-kind :of="collect(\Ringo\Survey\QuestionKind::cases())->mapWithKeys(static fn ($one) => [$one->value => $one->words()])" :chosen="$kind"/></x-field>
        <x-field label="short, for tables"><input name="{{ $name('title') }}" maxlength="60" value="{{ $row['title'] ?? '' }}"></x-field>
        <span class="survey-moves"><button type="button" class="bare" data-up title="Before the one above"><x-icon name="arrow-up"/><span class="sr">Before the one above</span></button><button type="button" class="bare" data-remove title="Take it out"><x-icon name="x"/><span class="sr">Take it out</span></button></span></div>
    <div class="inline-fields survey-more">
        <span class="for-scale"><x-field class="narrow" label="from"><input type="number" name="{{ $name('low') }}" min="0" max="9" value="{{ $row['low'] ?? 0 }}"></x-field><x-field label="which is"><input name="{{ $name('low_words') }}" maxlength="40" value="{{ $row['low_words'] ?? '' }}" placeholder="not at all"></x-field><x-field class="narrow" label="to"><input type="number" name="{{ $name('high') }}" min="1" max="10" value="{{ $row['high'] ?? 10 }}"></x-field><x-field label="which is"><input name="{{ $name('high_words') }}" maxlength="40" value="{{ $row['high_words'] ?? '' }}" placeholder="very likely"></x-field></span>
        <x-field class="for-choice" label="the answers" hint="one a line; keys 1 to 9 in this order"><textarea name="{{ $name('options') }}" rows="3">{{ $row['options'] ?? '' }}</textarea></x-field>
        <x-field class="for-spoken" label="what people may say" hint="one a line; the simulated public says it"><textarea name="{{ $name('examples') }}" rows="2">{{ $row['examples'] ?? '' }}</textarea></x-field>
        <span class="survey-only"><x-field class="narrow" label="only if no."><input type="number" name="{{ $name('only_number') }}" min="1" max="40" value="{{ $row['only_number'] ?? '' }}"></x-field><x-field label="how its answer is looked at" quiet><x-choice name="{{ $name('only_how') }}" :of="\Ringo\Survey\Only::HOW" :chosen="($row['only_how'] ?? 'is')"/></x-field><x-field class="narrow" label="what its answer must be" quiet><input name="{{ $name('only_value') }}" maxlength="60" value="{{ $row['only_value'] ?? '' }}" placeholder="no"></x-field></span>
    </div>
</fieldset>
