<fieldset class="card sheet-field" data-item>
    <legend class="sr">{{ $row['title'] ?: 'New field' }}</legend>
    <div class="sheet-line">
        <label class="field-label"><span>name</span><input name="fields[{{ $i }}][title]" value="{{ $row['title'] }}"></label>
        <label class="field-label"><span>holds</span><select name="fields[{{ $i }}][kind]">@foreach (\Ringo\Sheet\FieldFormats::kinds() as $kind => $name)<option value="{{ $kind }}" @selected($row['kind'] === $kind)>{{ $name }}</option>@endforeach</select></label>
        <label class="field-label"><span>what it means</span><input name="fields[{{ $i }}][description]" value="{{ $row['description'] }}"></label>
        <label class="field-label"><span>example</span><input name="fields[{{ $i }}][example]" value="{{ $row['example'] }}"></label>
        <label class="check"><input type="checkbox" name="fields[{{ $i }}][required]" value="1" @checked($row['required'])> required</label>
        <details class="sheet-more"><summary>{{ $row['options'] !== '' ? count(array_filter(explode("\n", $row['options']))).' choices' : 'more' }}</summary>
            <div class="inline-fields">
                <label class="field-label"><span>choices <small>one a line: key (label): synonyms</small></span><textarea name="fields[{{ $i }}][options]" rows="3">{{ $row['options'] }}</textarea></label>
                <label class="field-label"><span>pattern <small>regular expression</small></span><input name="fields[{{ $i }}][pattern]" value="{{ $row['pattern'] }}" spellcheck="false"></label>
                <label class="field-label"><span>who may see it</span><select name="fields[{{ $i }}][sees]"><option value="staff">all of the business</option><option value="owner" @selected($row['sees'] === 'owner')>owner and designer</option></select></label>
                <label class="field-label"><span>kept for days</span><input name="fields[{{ $i }}][keep]" value="{{ $row['keep'] }}" inputmode="numeric" size="5"></label>
                <label class="field-label"><span>key</span><input name="fields[{{ $i }}][key]" value="{{ $row['key'] }}" spellcheck="false"></label>
            </div>
        </details>
        <button type="button" class="bare" data-remove aria-label="Take out {{ $row['title'] ?: 'this field' }}"><x-icon name="x"/></button>
    </div>
</fieldset>
