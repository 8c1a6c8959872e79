@php $say = $reply['say'] ?? ''; $when = $reply['when'] ?? []; @endphp
<div class="grid-item" data-item>
    <input type="hidden" name="replies[{{ $i }}][key]" value="{{ $reply['key'] ?? '' }}">
    <div class="asked-how">
        <textarea name="replies[{{ $i }}][when]" rows="1" data-grow aria-label="when they ask" placeholder="how they ask, commas between">{{ is_array($when) ? implode(', ', $when) : $when }}</textarea>
        <textarea name="replies[{{ $i }}][means]" rows="1" data-grow aria-label="what they want to know" placeholder="or what they want to know">{{ $reply['means'] ?? '' }}</textarea>
    </div>
    <textarea name="replies[{{ $i }}][say]" rows="1" data-grow data-slots aria-label="answer" placeholder="the answer">{{ is_array($say) ? ($say[0] ?? '') : $say }}</textarea>
    <x-choice name="replies[{{ $i }}][about]" aria-label="speaks of" :of="collect($script->sheet->fields)->where('options', '!=', [])->mapWithKeys(static fn ($field) => [$field->key => 'of the '.mb_strtolower($field->title).' named'])" :chosen="$reply['about'] ?? null" none="of nothing in particular"/>
    <x-choice name="replies[{{ $i }}][to]" aria-label="then goes to" :of="collect($script->steps)->map(static fn ($step, $key) => 'to '.$key)" :chosen="$reply['to'] ?? null" none="back to the question"/>
    <input type="hidden" name="replies[{{ $i }}][otherwise]" value="{{ $reply['otherwise'] ?? '' }}">
    <button type="button" class="bare" data-remove title="Take this reply out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
