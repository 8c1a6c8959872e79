<fieldset class="card sheet-field" data-item>
    <legend class="sr">{{ $row['title'] ?: 'New field' }}</legend>
    <div class="sheet-line">
        <x-field label="name"><input name="fields[{{ $i }}][title]" value="{{ $row['title'] }}"></x-field>
        <x-field label="holds"><x-choice name="fields[{{ $i }}][kind]" :of="\Ringo\Sheet\FieldFormats::kinds()" :chosen="$row['kind']"/></x-field>
        <x-field label="what it means"><input name="fields[{{ $i }}][description]" value="{{ $row['description'] }}"></x-field>
        <x-field label="example"><input name="fields[{{ $i }}][example]" value="{{ $row['example'] }}"></x-field>
        <x-tick name="fields[{{ $i }}][required]" value="1" :on="$row['required']">required</x-tick>
        <details class="sheet-more"><summary>{{ $row['choices'] !== [] ? count($row['choices']).' choices' : 'more' }}</summary>
            <x-choices :name="'fields['.$i.'][choices]'" :rows="$row['choices']"/>
            <div class="inline-fields">
                <x-field label="pattern" hint="regular expression"><input name="fields[{{ $i }}][pattern]" value="{{ $row['pattern'] }}" spellcheck="false"></x-field>
                <x-field label="who may see it"><x-choice name="fields[{{ $i }}][sees]" :of="['staff' => 'all of the business', 'owner' => 'owner and designer']" :chosen="$row['sees']"/></x-field>
                <x-field label="kept for days"><input name="fields[{{ $i }}][keep]" value="{{ $row['keep'] }}" inputmode="numeric" size="5"></x-field>
                <x-field label="key"><input name="fields[{{ $i }}][key]" value="{{ $row['key'] }}" spellcheck="false"></x-field>
            </div>
        </details>
        <button type="button" class="bare" data-remove aria-label="Take out {{ $row['title'] ?: 'this field' }}"><x-icon name="x"/></button>
    </div>
</fieldset>
