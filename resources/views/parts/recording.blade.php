@php
    /** @var \App\Models\Recording $recording */
    $loud = $recording->loudness === null ? '' : ($recording->loudness < -30 ? 'too quiet' : ($recording->loudness > -12 ? 'too loud' : 'good'));
@endphp
<div class="recording">
    <button type="button" class="bare" data-hear="{{ route('recording.audio', [$business, $agent, $recording]) }}" aria-label="Hear the recording"><x-icon name="play"/></button>
    <span class="figures">{{ $recording->seconds === null ? 'length not known' : number_format($recording->seconds, 1).' s' }}</span>
    <span class="figures {{ $loud === 'good' ? 'good' : 'doubt' }}" title="Mean loudness, and the loudest moment, under full scale">{{ $recording->loudness === null ? 'loudness not known' : number_format($recording->loudness, 1).' dB' }}{{ $recording->peak === null ? '' : ', peak '.number_format($recording->peak, 1).' dB' }}{{ $loud === '' ? '' : ', '.$loud }}</span>
    <span class="muted">{{ str_replace('audio/', '', $recording->mime) }}, {{ number_format($recording->bytes / 1024, 0) }} KB</span>
    <form method="post" action="{{ route('recording.delete', [$business, $agent, $recording]) }}">@csrf @method('delete')<button class="bare" title="Takes the recording away; the voice speaks these words again"><x-icon name="trash-2"/><span class="sr">Take away</span></button></form>
</div>
