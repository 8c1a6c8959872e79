@php $say = $reply['say'] ?? ''; $when = $reply['when'] ?? []; @endphp
<div class="grid-item" data-item>
    <input type="hidden" name="replies[{{ $i }}][key]" value="{{ $reply['key'] ?? '' }}">
    <div class="asked-how">
        <textarea name="replies[{{ $i }}][when]" rows="1" data-grow aria-label="when they ask" placeholder="how they ask, commas between">{{ is_array($when) ? implode(', ', $when) : $when }}</textarea>
        <textarea name="replies[{{ $i }}][means]" rows="1" data-grow aria-label="what they want to know" placeholder="or what they want to know">{{ $reply['means'] ?? '' }}</textarea>
    </div>
    <textarea name="replies[{{ $i }}][say]" rows="1" data-grow data-slots aria-label="answer" placeholder="the answer">{{ is_array($say) ? ($say[0] ?? '') : $say }}</textarea>
    <select name="replies[{{ $i }}][about]" aria-label="speaks of"><option value="">of nothing in particular</option>@foreach ($script->sheet->fields as $field)@if ($field->options !== [])<option value="{{ $field->key }}" @selected(($reply['about'] ?? null) === $field->key)>of the {{ mb_strtolower($field->title) }} named</option>@endif @endforeach</select>
    <select name="replies[{{ $i }}][to]" aria-label="then goes to"><option value="">back to the question</option>@foreach ($script->steps as $key => $step)<option value="{{ $key }}" @selected(($reply['to'] ?? null) === (string) $key)>to {{ $key }}</option>@endforeach</select>
    <input type="hidden" name="replies[{{ $i }}][otherwise]" value="{{ $reply['otherwise'] ?? '' }}">
    <button type="button" class="bare" data-remove title="Take this reply out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
