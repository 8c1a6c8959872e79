<x-layout title="Prompt book" :business="$business" :agent="$agent" here="prompt-book">
    <header class="head">
        <h1>Prompt book</h1>
        <p class="sub">{{ count($rows) }} steps, {{ count($script->sheet->fields) }} fields, {{ count($script->standing->replies) }} standing replies</p>
    </header>
    <div class="book lanes-{{ min(10, $spine->lanes) }}" role="list" aria-label="Steps of {{ $agent->name }} in reading order" data-rows>
        <div class="book-head" aria-hidden="true"><span></span><span>{{ $agent->name }} says</span><span>The caller answers, and where that leads</span><span>Fills, seconds</span></div>
        @foreach ($rows as $row)
            @php $step = $row['step']; @endphp
            <article class="row kind-{{ $step->kind() }}" id="step-{{ $step->key() }}" role="listitem" tabindex="-1" data-row data-step="{{ $step->key() }}">
                @include('parts.spine', ['spine' => $row['spine'], 'kind' => $step->kind(), 'lanes' => $spine->lanes])
                <div class="says">
                    <h2><span class="name">{{ $step->key() }}</span> <span class="kind">{{ $step->kind() }}</span></h2>
                    @forelse ($row['texts'] as $text)
                        <p>@if (! $loop->first)<span class="or">or</span> @endif @include('parts.prompt-text', ['text' => $text])</p>
                    @empty
                        <p class="silent">{{ $step->kind() === 'branch' ? 'decides without a word' : 'writes down without a word' }}</p>
                    @endforelse
                </div>
                <ul class="answers">
                    @foreach ($row['answers'] as $answer)
                        <li class="{{ $answer['kind'] }}">
                            @if ($answer['key'] !== null)<kbd>{{ $answer['key'] }}</kbd>@endif
                            <span class="words">{{ $answer['words'] }}@if (($answer['more'] ?? '') !== '')<br><span class="more">{{ $answer['more'] }}</span>@endif</span>
                            @if ($answer['to'] !== null)<a class="to {{ $answer['to'] === $row['next'] ? 'next' : '' }}" href="#step-{{ $answer['to'] }}"><span aria-hidden="true">{{ $answer['to'] === $row['next'] ? '↓' : '→' }}</span> {{ $answer['to'] }}</a>@endif
                        </li>
                    @endforeach
                </ul>
                <div class="fills">
                    @if ($row['field'])<span class="field" title="{{ $script->sheet->field($row['field'])?->title }}, {{ $script->sheet->field($row['field'])?->type->value }}">{{ $row['field'] }}</span>@endif
                    @if ($row['seconds'] !== null)<span class="seconds {{ $row['seconds'] > 12 ? 'long' : '' }}" title="Seconds until the caller may answer">{{ number_format($row['seconds'], 1) }}</span>@endif
                </div>
            </article>
        @endforeach
    </div>
    <section class="standing" aria-labelledby="standing-title">
        <h2 id="standing-title">Holds on every step</h2>
        <div class="replies">
            @foreach ($script->standing->replies as $reply)
                <div class="reply">
                    <p class="asked">“{{ $reply['when'][0] ?? '' }}”</p>
                    <p class="said">@include('parts.prompt-text', ['text' => is_array($reply['say']) ? $reply['say'][0] : $reply['say']])</p>
                </div>
            @endforeach
            @if ($script->standing->person)
                <div class="reply"><p class="asked">“a person, please”@if ($script->standing->personKey) or key {{ $script->standing->personKey }}@endif</p><p class="said"><a class="to" href="#step-{{ $script->standing->person }}">→ {{ $script->standing->person }}</a></p></div>
            @endif
        </div>
    </section>
</x-layout>
