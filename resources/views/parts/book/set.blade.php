<div class="grid-item" data-item>
    <input name="set[{{ $i }}][field]" value="{{ $field }}" list="values-{{ $key }}" aria-label="field" placeholder="a field">
    <input name="set[{{ $i }}][value]" value="{{ is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? $value : '') }}" aria-label="value" placeholder="becomes">
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
