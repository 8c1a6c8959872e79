@php /** @var \Ringo\Script\Steps\Branch\BranchStep $typed */ @endphp
<div class="texts" data-list data-least="0">
    <div class="label">Goes <small>the first way whose condition holds</small></div>
    <div data-items>
        @foreach (array_values($step['ways'] ?? []) as $i => $way)
            @include('parts.book.way', ['i' => $i, 'way' => $way, 'condition' => $typed->ways[$i]['when'] ?? null])
        @endforeach
    </div>
    <template data-blank>@include('parts.book.way', ['i' => '__i__', 'way' => [], 'condition' => null])</template>
    <button type="button" class="bare add" data-add><x-icon name="plus"/> a way</button>
</div>
<div class="inline-fields"><x-book.to name="otherwise" :value="$step['otherwise'] ?? null" :script="$script" :self="$key" label="otherwise goes to"/></div>
@include('parts.book.values')
