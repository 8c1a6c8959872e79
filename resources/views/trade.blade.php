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
        <x-field label="such a business is"><input name="label" maxlength="400" value="{{ old('label', $trade->label ?? '') }}" placeholder="a piano tuner’s workshop" required></x-field>
            <x-field class="wide" label="what it does"><input name="about" maxlength="400" value="{{ old('about', $trade->about ?? '') }}" placeholder="Tunes and repairs pianos at people’s homes, and stores them." required></x-field>
        <x-field class="wide" label="what callers say" hint="one a line, as they say it"><textarea name="sayings" rows="14" spellcheck="false">{{ old('sayings', $lines($trade->sayings ?? [], 'said')) }}</textarea></x-field>
        <x-field class="wide" label="what they ask" hint="one a line"><textarea name="questions" rows="8" spellcheck="false">{{ old('questions', $lines($trade->questions ?? [], 'q')) }}</textarea></x-field>
        <x-field class="wide" label="what such a business wants to know" :hint="'one a line: name | kind | question | answer; answer. Kinds: '.implode(', ', \Ringo\Sheet\FieldFormats::WORDS)"><textarea name="facts" rows="8" spellcheck="false">{{ old('facts', $facts) }}</textarea></x-field>
        <div class="go"><button class="primary">Keep the trade</button></div>
    </form>
</x-layout>
