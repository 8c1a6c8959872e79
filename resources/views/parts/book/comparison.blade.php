@php $kind = $part[1] === 'known' && $part[2] === false ? 'unknown' : $part[1]; @endphp
<div class="comparison" data-item>
    <input name="ways[{{ $i }}][parts][{{ $p }}][value]" value="{{ $part[0] }}" list="values-{{ $key }}" aria-label="value" placeholder="a value" data-value>
    <x-choice name="ways[{{ $i }}][parts][{{ $p }}][comparison]" aria-label="comparison" :of="\App\Support\Book\ConditionForm::COMPARISONS" :chosen="$kind"/>
    <input name="ways[{{ $i }}][parts][{{ $p }}][than]" value="{{ in_array($kind, ['known', 'unknown'], true) ? '' : $shown($part[2]) }}" list="than-{{ $key }}-{{ $part[0] }}" aria-label="with what" placeholder="with what" data-than>
    <button type="button" class="bare" data-remove title="Take this out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
