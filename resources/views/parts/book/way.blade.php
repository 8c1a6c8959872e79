@php
    /** @var ?\Ringo\Script\Condition $condition */
    $deep = $condition !== null && ! \App\Support\Book\ConditionForm::simple($condition);
    $parts = $condition === null ? [['', 'is', '']] : $condition->comparisons();
    $shown = fn (mixed $than): string => is_array($than) ? implode(', ', array_map(strval(...), $than)) : ($than === true ? 'yes' : ($than === false ? 'no' : (string) $than));
@endphp
<div class="way" data-item>
    <span class="if">if</span>
    <div class="way-parts">
        @if ($deep)
            <input type="hidden" name="ways[{{ $i }}][kept]" value="{{ json_encode($way['when'], JSON_THROW_ON_ERROR) }}">
            <p>{{ $condition->inWords() }} <small>(joined more than once: change it in the text view)</small></p>
        @else
            <div data-list data-least="1" data-inner>
                <div data-items>
                    @foreach ($parts as $p => $part)
                        @include('parts.book.comparison', ['i' => $i, 'p' => $p, 'part' => $part, 'shown' => $shown])
                    @endforeach
                </div>
                <template data-blank data-token="__p__">@include('parts.book.comparison', ['i' => $i, 'p' => '__p__', 'part' => ['', 'is', ''], 'shown' => $shown])</template>
                <span class="joins"><x-choice name="ways[{{ $i }}][join]" aria-label="how they are joined" :of="['all' => 'all of these', 'any' => 'any of these']" :chosen="$condition?->join()"/>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> and</button></span>
            </div>
        @endif
    </div>
    <x-book.to name="ways[{{ $i }}][next]" :value="$way['next'] ?? null" :script="$script" :self="$key" label="goes to"/>
    <button type="button" class="bare" data-remove title="Take this way out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
