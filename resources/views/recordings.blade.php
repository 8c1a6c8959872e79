<x-layout title="Recordings" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="recordings" title="Recordings" sub="A prompt can be spoken by somebody instead of the voice. A recording goes with exactly its words: change them, and the voice speaks again."/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($stale->isNotEmpty())
        <section class="card" aria-labelledby="stale-title"><h2 id="stale-title">No longer said <small>their words have changed in the draft; releases that still say them play them</small></h2>
            <ul class="recordings">@foreach ($stale as $recording)<li><p>“{{ $recording->text }}”</p>@include('parts.recording', ['recording' => $recording])</li>@endforeach</ul>
        </section>
    @endif
    <p class="error" role="alert" data-recorder-error hidden></p>
    <ul class="recordings card" data-recorder data-url="{{ route('recording.store', [$business, $agent]) }}">
        @foreach ($lines as $one)
            @php $line = $one['line']; $fixed = ! str_contains($line->text, '['); @endphp
            <li @if ($line->step) id="step-{{ $line->step }}" @endif data-line data-text="{{ $line->text }}">
                <p><span class="muted">{{ $line->step ?? '' }} {{ $line->what }}</span><br>@include('parts.prompt-text', ['text' => $line->text])</p>
                <div data-kept>@if ($one['recording'])@include('parts.recording', ['recording' => $one['recording']])@elseif (! $fixed)<span class="muted">holds a value, so the voice speaks it</span>@else<span class="muted">spoken by the voice</span>@endif</div>
                @if ($fixed)
                    <form method="post" enctype="multipart/form-data" action="{{ route('recording.store', [$business, $agent]) }}" class="record-tools">@csrf<input type="hidden" name="text" value="{{ $line->text }}">
                        <button type="button" data-record><x-icon name="mic"/> <span data-record-label>Record</span></button>
                        <label class="button"><x-icon name="upload"/> Upload<input class="sr" type="file" name="file" accept="audio/wav,audio/webm,audio/ogg,.wav,.webm,.ogg" data-upload></label>
                    </form>
                @endif
            </li>
        @endforeach
    </ul>
</x-layout>
