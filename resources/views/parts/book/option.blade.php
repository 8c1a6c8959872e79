<div class="grid-item" data-item>
    <input type="hidden" name="options[{{ $i }}][key]" value="{{ $option['key'] ?? '' }}">
    <input name="options[{{ $i }}][digit]" value="{{ $option['digit'] ?? '' }}" maxlength="1" class="digit" aria-label="key" placeholder="#">
    <input name="options[{{ $i }}][label]" value="{{ $option['label'] ?? '' }}" aria-label="label" placeholder="what it is called">
    <input name="options[{{ $i }}][phrases]" value="{{ implode(', ', $option['phrases'] ?? []) }}" aria-label="other words" placeholder="other words, commas between">
    <x-book.to name="options[{{ $i }}][next]" :value="$option['next'] ?? ($step['options'][0]['next'] ?? null)" :script="$script" :self="$key" label="leads to" :bare="true"/>
    <button type="button" class="bare" data-remove title="Take this option out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
