<x-book.texts name="prompt" :texts="$texts('prompt')" label="Asks openly" add="another way to ask" hint="type [ to put in a value"/>
<div class="texts" data-list data-least="0">
    <div class="label">Topics <small>in plain words: what callers want when they come with this</small></div>
    <div data-items class="grid-items topics">
        @foreach (array_values($step['topics'] ?? []) as $i => $topic)
            @include('parts.book.topic', ['i' => $i, 'topic' => $topic])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.topic', ['i' => '__i__', 'topic' => []])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a topic</button>
</div>
<div class="inline-fields"><x-book.to name="nothing" :value="$step['nothing'] ?? null" :script="$script" :self="$key" label="“no, that’s all” goes to" none="nowhere in particular"/></div>
<details class="more" @if (($step['reprompts'] ?? []) !== [] || isset($step['again'])) open @endif>
    <summary>Short form and reprompts</summary>
    <x-book.texts name="again" :texts="$texts('again')" label="Short form" add="a short form" :least="0" hint="the next time it is asked"/>
    <x-book.texts name="reprompts" :texts="$texts('reprompts')" label="Reprompts" add="a reprompt" :least="0"/>
</details>
<x-book.way-out :step="$step" :script="$script" :self="$key" what="without a topic"/>
