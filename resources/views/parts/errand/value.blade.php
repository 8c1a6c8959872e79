<div class="grid-item" data-item>
    <input name="values[{{ $i }}][key]" class="mono" value="{{ $one['key'] ?? '' }}" aria-label="key" placeholder="due">
    <input name="values[{{ $i }}][label]" value="{{ $one['label'] ?? '' }}" aria-label="what it is" placeholder="when it is due back">
    <x-choice name="values[{{ $i }}][type]" aria-label="type" :of="\App\Support\Offered::plainly($types)" :chosen="$one['type'] ?? 'text'"/>
    <input name="values[{{ $i }}][path]" class="mono" value="{{ $one['path'] ?? '' }}" aria-label="where it stands" placeholder="hire.due">
    <x-tick name="values[{{ $i }}][required]" value="1" :on="$one['required'] ?? false">must be</x-tick>
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
