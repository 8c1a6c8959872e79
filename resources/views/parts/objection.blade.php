@php $say = (array) ($objection['say'] ?? []); $when = $objection['when'] ?? []; @endphp
<div class="grid-item" data-item>
    <input type="hidden" name="objections[{{ $i }}][key]" value="{{ $objection['key'] ?? '' }}">
    <x-choice name="objections[{{ $i }}][like]" aria-label="of the usual kind" :of="\App\Support\AgentForm::OBJECTIONS" :chosen="($objection['like'] ?? '')" none="of no usual kind"/>
    <textarea name="objections[{{ $i }}][means]" rows="1" data-grow aria-label="what they have against it" placeholder="what they have against it: it costs too much">{{ $objection['means'] ?? '' }}</textarea>
    <textarea name="objections[{{ $i }}][when]" rows="1" data-grow aria-label="how they say it" placeholder="how they say it, commas between">{{ is_array($when) ? implode(', ', $when) : $when }}</textarea>
    <textarea name="objections[{{ $i }}][say]" rows="1" data-grow data-slots aria-label="answered the first time" placeholder="what is answered">{{ $say[0] ?? '' }}</textarea>
    <textarea name="objections[{{ $i }}][again]" rows="1" data-grow data-slots aria-label="answered the second time" placeholder="and if it comes again">{{ $objection['again'] ?? ($say[1] ?? '') }}</textarea>
    <button type="button" class="bare" data-remove title="Take this objection out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
