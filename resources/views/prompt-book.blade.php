@php
    /** @var list<\Ringo\Inspection\Finding> $findings */
    $counts = array_count_values(array_map(static fn ($finding): string => $finding->severity->value, $findings));
@endphp
<x-layout title="Prompt book" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="book" title="Prompt book" :sub="count($rows).' steps, '.count($script->sheet->fields).' fields'"/>
    <div class="book-bar">
    <div class="book-tools">
        <label class="sr" for="book-find">Find in this script</label>
        <span class="book-find"><input id="book-find" type="search" placeholder="Find a step or words" data-book-find><span data-book-hits role="status"></span></span>
        <details class="pick scenes"><summary class="button">Jump to</summary><ul data-jump>
            @foreach ($rows as $row)@if ($row['scene'] || $loop->first)<li><a href="#step-{{ $row['step']->key() }}" data-goto="{{ $row['step']->key() }}">{{ $row['scene'] ?? $row['step']->key() }}</a></li>@endif @endforeach
        </ul></details>
        <button type="button" data-fold-all aria-pressed="false">Fold all</button>
        <button type="button" data-insert-first>Add a step <kbd>n</kbd></button>
        <button type="button" class="findings-toggle" data-findings-toggle aria-expanded="false" aria-controls="findings"><x-icon name="shield-check"/> <span data-findings-count>{{ app(\App\Support\Book\BookView::class)->count($findings) }}</span></button>
        <button type="button" data-undo data-version="{{ $undoable['version'] ?? '' }}" title="{{ $undoable === null ? 'Nothing to take back' : 'Takes back: '.$undoable['words'] }}" @disabled($undoable === null)><x-icon name="undo-2"/> Undo <kbd>z</kbd></button>
        <span class="saved" data-book-saved role="status"></span>
    </div>
    <section class="findings card" id="findings" data-findings hidden aria-label="Findings"><ul class="found-list" data-findings-list>@include('parts.book.findings', ['findings' => $findings])</ul></section>
    </div>
    <div class="notice" data-book-notice role="status" hidden><span data-notice-text></span> <button type="button" data-notice-undo hidden>Undo</button> <button type="button" data-notice-reload hidden>Show the draft as it is now</button> <button type="button" class="bare" data-notice-close><x-icon name="x"/><span class="sr">Close</span></button></div>
    <div class="book lanes-{{ min(10, $spine->lanes) }}" role="list" aria-label="Steps of {{ $agent->name }} in reading order" data-book data-version="{{ $version }}" data-url="{{ route('prompt-book', [$business, $agent]) }}">
        <div class="book-head" aria-hidden="true"><span></span><span>{{ $agent->name }} says</span><span>The caller answers, and where that leads</span><span>Fills, seconds</span></div>
        @foreach ($rows as $row)
            @include('parts.book.row', ['row' => $row, 'findings' => $byStep[$row['step']->key()] ?? []])
        @endforeach
    </div>
    <section class="standing" aria-labelledby="standing-title">
        <h2 id="standing-title">Holds on every step <a class="more" href="{{ route('agent', [$business, $agent]) }}#standing">write in these</a></h2>
        <div class="replies">
            @forelse ($script->standing->replies as $reply)
                <div class="reply">
                    <p class="asked">“{{ $reply['when'][0] ?? '' }}”</p>
                    <p class="said">@include('parts.prompt-text', ['text' => is_array($reply['say']) ? $reply['say'][0] : $reply['say']])</p>
                </div>
            @empty
                <p class="empty">No standing replies yet: answers to what callers ask anywhere belong here.</p>
            @endforelse
            @foreach ($script->standing->objections as $one)<div class="reply"><p class="asked">“{{ $one['when'][0] ?? $one['means'] }}”</p><p class="said">@include('parts.prompt-text', ['text' => $one['say'][0]])</p></div>@endforeach
            @if ($script->standing->person)
                <div class="reply"><p class="asked">“a person, please”@if ($script->standing->personKey) or key {{ $script->standing->personKey }}@endif</p><p class="said"><a class="to" href="#step-{{ $script->standing->person }}">→ {{ $script->standing->person }}</a></p></div>
            @endif
        </div>
    </section>
    <dialog id="new-step" class="new-step" aria-labelledby="new-step-title">
        <form method="dialog">
            <h2 id="new-step-title">A new step <small data-after></small></h2>
            <div class="kinds" role="radiogroup" aria-label="Kind">
                @foreach (app(\Ringo\Script\Steps\StepKinds::class)->all() as $kind => $one)
                    <label><input type="radio" name="kind" value="{{ $kind }}" @checked($kind === 'say')> <strong>{{ str_replace("_", " ", $kind) }}</strong> {{ $one->does() }}</label>
                @endforeach
            </div>
            <x-field label="its name" hint="can be left to Ringo"><input name="name" placeholder="delivery_date" autocomplete="off"></x-field>
            <p class="go"><button class="primary" value="add">Add it <kbd>↵</kbd></button> <button value="no" formnovalidate>Close <kbd>Esc</kbd></button></p>
        </form>
    </dialog>
</x-layout>
