<div class="grid-item" data-item>
    <input name="parameters[{{ $i }}][key]" class="mono" value="{{ $one['key'] ?? '' }}" aria-label="key" placeholder="number">
    <input name="parameters[{{ $i }}][label]" value="{{ $one['label'] ?? '' }}" aria-label="what it is" placeholder="the number of the contract">
    <x-choice name="parameters[{{ $i }}][type]" aria-label="type" :of="\App\Support\Offered::plainly($types)" :chosen="$one['type'] ?? 'text'"/>
    <input name="parameters[{{ $i }}][from]" class="mono" value="{{ $one['from'] ?? '' }}" aria-label="from" placeholder="field, or =always">
    <x-tick name="parameters[{{ $i }}][optional]" value="1" :on="$one['optional'] ?? false">may lack</x-tick>
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
