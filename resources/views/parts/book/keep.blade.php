<div class="grid-item" data-item>
    <input name="keep[{{ $i }}][field]" value="{{ $field }}" list="fields" aria-label="field" placeholder="a field">
    <input name="keep[{{ $i }}][value]" value="{{ $value }}" aria-label="value of the answer" placeholder="takes the value">
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
