@php
    $lines = fn (array $rows, string $key): string => implode("\n", array_column($rows, $key));
    $facts = implode("\n", array_map(fn ($one) => \App\Support\TradeForm::line($one['name'], $one['type'], $one['ask'], ...$one['say']), $trade->fields ?? []));
@endphp
<x-layout :title="$own->label ?? 'A new trade'" :business="$business" :agent="$agent" here="prompt-book">
    <header class="head"><h1>{{ $own->label ?? 'A new trade' }}</h1><p class="sub"><a href="{{ route('trades', $business) }}">Trades</a>{{ $own === null && $trade !== null ? ' · begun from '.$trade->label : '' }}</p>
        @if ($own)<div class="actions"><a class="button" href="{{ route('trade.export', [$business, $own->key]) }}"><x-icon name="download"/> File</a><form method="post" action="{{ route('trade.delete', [$business, $own]) }}">@csrf @method('delete')<button class="danger"><x-icon name="trash-2"/> Take it out</button></form></div>@endif</header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <form method="post" action="{{ $own ? route('trade.update', [$business, $own]) : route('trade.store', $business) }}" class="card stack trade-form" data-unsaved>@csrf @if ($own) @method('put')@endif
        @if ($own === null && $trade !== null)<input type="hidden" name="from" value="{{ $trade->key }}">@endif
        <label class="field-label"><span>such a business is</span><input name="label" maxlength="400" value="{{ old('label', $trade->label ?? '') }}" placeholder="a piano tuner’s workshop" required></label>
            <label class="field-label wide"><span>what it does</span><input name="about" maxlength="400" value="{{ old('about', $trade->about ?? '') }}" placeholder="Tunes and repairs pianos at people’s homes, and stores them." required></label>
        <label class="field-label wide"><span>what callers say <small>one a line, as they say it</small></span><textarea name="sayings" rows="14" spellcheck="false">{{ old('sayings', $lines($trade->sayings ?? [], 'said')) }}</textarea></label>
        <label class="field-label wide"><span>what they ask <small>one a line</small></span><textarea name="questions" rows="8" spellcheck="false">{{ old('questions', $lines($trade->questions ?? [], 'q')) }}</textarea></label>
        <label class="field-label wide"><span>what such a business wants to know <small>one a line: name | kind | question | answer; answer. Kinds: {{ implode(', ', \Ringo\Sheet\FieldFormats::WORDS) }}</small></span><textarea name="facts" rows="8" spellcheck="false">{{ old('facts', $facts) }}</textarea></label>
        <div class="go"><button class="primary">Keep the trade</button></div>
    </form>
</x-layout>
