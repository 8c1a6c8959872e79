<div class="grid-item" data-item>
    <input name="by[{{ $i }}][column]" value="{{ $one['column'] ?? '' }}" aria-label="column" placeholder="column">
    <x-choice name="by[{{ $i }}][match]" aria-label="fits" :of="['exact' => 'is written like', 'number' => 'has the digits of', 'name' => 'is a name like']" :chosen="($one['match'] ?? 'exact')"/>
    <input name="by[{{ $i }}][parameter]" value="{{ $one['parameter'] ?? '' }}" aria-label="what it needs" placeholder="key of what it needs">
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
