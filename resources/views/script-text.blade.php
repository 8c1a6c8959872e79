<x-layout title="Text" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="text" title="Text" sub="The same script as the prompt book shows, as one JSON document. What is kept here is there, and the other way round."/>
    <form class="text-view" data-text-view data-url="{{ route('script-text', [$business, $agent]) }}" data-version="{{ $version }}">
        <div class="text-tools">
            <button class="primary" type="submit">Keep the text <kbd>Ctrl S</kbd></button>
            <span class="saved" data-text-saved role="status"></span>
            <span class="place" data-text-place></span>
            <a class="button" href="{{ route('agent.export', [$business, $agent]) }}"><x-icon name="download"/> Download</a>
        </div>
        <ul class="problems" data-text-problems role="alert" hidden></ul>
        <div class="text-body">
            <div class="gutter" data-gutter aria-hidden="true"></div>
            <textarea id="script-text" spellcheck="false" aria-label="The script as JSON" data-text wrap="off">{{ $text }}</textarea>
        </div>
        <ul class="found-list" data-text-findings></ul>
    </form>
</x-layout>
