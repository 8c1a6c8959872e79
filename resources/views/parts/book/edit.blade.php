@php
    /** @var \Ringo\Script\Script $script */
    /** @var array<string, mixed> $step */
    $key = $step['key'];
    $kind = $step['kind'];
    $texts = fn (string $name): array => array_values(array_filter((array) ($step[$name] ?? []), is_string(...)));
    $base = route('prompt-book', [$agent->business, $agent]).'/steps/'.$key;
@endphp
<form class="edit" data-edit="{{ $key }}" data-url="{{ $base }}" data-kind="{{ $kind }}" data-offered="{{ json_encode($offered, JSON_THROW_ON_ERROR) }}" autocomplete="off">
    <div class="edit-head">
        <x-field label="name of the step"><input name="key" value="{{ $key }}" pattern="[a-z][a-z0-9_]*" data-rename title="Every reference follows a new name"></x-field>
        <x-field label="scene that begins here"><input name="scene" value="{{ $step['scene'] ?? '' }}" placeholder="none"></x-field>
        <span class="kind">{{ str_replace("_", " ", $kind) }} <span class="seconds" data-seconds></span></span>
        @if ($from !== [])<span class="from">comes from @foreach ($from as $one)@if ($one === 'standing rules')standing rules @else<a href="#step-{{ $one }}" data-goto="{{ $one }}">{{ $one }}</a>@endif{{ $loop->last ? '' : ', ' }}@endforeach</span>
        @elseif ($script->first === $key)<span class="from">the call begins here</span>
        @else<span class="from doubt">nothing leads here</span>@endif
        <span class="saved" data-saved role="status"></span>
        <button type="button" data-close-edit>Done <kbd>Esc</kbd></button>
    </div>
    @include('parts.book.edit-'.$kind)
    <ul class="problems" data-problems role="alert" hidden></ul>
    <ul class="found-list" data-row-findings>@if ($findings !== [])@include('parts.book.findings')@endif</ul>
    <div class="edit-foot">
        <span class="add-after"><label class="sr" for="after-{{ $key }}">Kind of step to add after this one</label>
            <x-choice id="after-{{ $key }}" data-insert-kind :of="\App\Support\Offered::plainly(\App\Support\Book\StepForms::kinds())"/>
            <button type="button" data-insert><x-icon name="plus"/> Add after this <kbd>n</kbd></button></span>
        <button type="button" data-duplicate><x-icon name="copy"/> Copy</button>
        <button type="button" data-move="up" title="Alt ↑">Up</button>
        <button type="button" data-move="down" title="Alt ↓">Down</button>
        @foreach (array_slice($texts('prompt'), 0, 1) as $text)<a class="button" href="{{ route('agent.recordings', [$agent->business, $agent]) }}#step-{{ $key }}">Record it</a>@endforeach
        <button type="button" class="danger" data-delete><x-icon name="trash-2"/> Take out</button>
    </div>
</form>
