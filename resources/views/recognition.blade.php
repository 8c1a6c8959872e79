@php $r = $script->recognition; $g = $script->agent->greeting; @endphp
<x-layout title="Recognition" :business="$business" :agent="$agent" here="recognition">
    <header class="head"><h1>Recognition</h1><p class="sub">Before the first word the number is looked up. What it tells decides the opening, what is taken over, and what is asked back. Kept in the draft of {{ $agent->name }}.</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <section class="card try" aria-labelledby="try-title"><h2 id="try-title">Try a number</h2>
        <form method="get" class="inline-fields"><x-field class="wide" label="any number, as it might arrive"><input name="number" value="{{ $number ?? '' }}" placeholder="07700 900123, or withheld"></x-field><button>What would happen</button></form>
        @if ($tried)
            <div class="tried"><p><strong>{{ ['known' => 'A caller we know', 'shared' => 'A number several people share', 'organisation' => 'An organisation’s switchboard', 'unknown' => 'A stranger', 'withheld' => 'A withheld number', 'unparseable' => 'No number: counts as withheld', 'blocked' => 'Blocked'][$tried['kind']] ?? $tried['kind'] }}</strong></p>
            <ol class="why">@foreach ([...$tried['why'], ...$tried['rules']] as $why)<li>{{ $why }}</li>@endforeach</ol>
            <p class="voice agent">{{ $tried['words'] === '' ? 'Nobody answers: it rings out.' : '“'.$tried['words'].'”' }}</p>
            @if ($tried['people'] !== [])<p class="muted">One of {{ implode(', ', $tried['people']) }}; the agent tells no surname.</p>@endif
            <dl class="facts">@foreach ($tried['values'] as $field => $value)<div><dt>{{ str_replace('_', ' ', $field) }}</dt><dd>{{ $value }}</dd></div>@endforeach @foreach (array_diff_key($tried['facts'], ['known' => 1]) as $fact => $value)@if (is_scalar($value) && $value !== '' && $value !== false)<div><dt>caller.{{ $fact }}</dt><dd>{{ $value }}</dd></div>@endif @endforeach</dl></div>
        @endif
    </section>
    <form method="post" action="{{ route('recognition.update', [$business, $agent]) }}" class="agent-form" data-agent-form data-offered="{{ json_encode(array_map(fn ($p) => ['path' => $p, 'label' => $p, 'empty' => str_starts_with($p, 'caller.')], [...array_keys(\Ringo\Script\Paths::ALWAYS), ...array_keys(\Ringo\Script\Paths::CALLER), 'caller.last_reason', ...$columns->map(fn ($c) => 'caller.'.$c->key)->all()]), JSON_THROW_ON_ERROR) }}">@csrf @method('put')<input type="hidden" name="version" value="{{ $version }}">
        <section class="card"><h2>Opening by who calls <small>said before the first step; empty leaves it to the first step</small></h2>
            <div class="openings">@foreach ($kinds as $kind => $words)<div class="opening-row"><x-field class="wide" :label="$words"><textarea name="greeting[{{ $kind }}]" rows="1" data-grow data-slots>{{ $g[$kind]?->variants[0] ?? '' }}</textarea></x-field>@unless ($kind === 'blocked')<x-field label="tags"><input name="tags[{{ $kind }}]" value="{{ implode(', ', $r->tags[$kind] ?? []) }}"></x-field><x-field class="narrow" label="priority"><input type="number" min="0" max="9" name="priority[{{ $kind }}]" value="{{ $r->priority[$kind] ?? '' }}" placeholder="0"></x-field>@endunless</div>@endforeach</div>
            <div class="inline-fields"><x-field class="narrow" label="“about the same?” within hours"><input type="number" min="0" max="1440" name="recent_hours" value="{{ $r->recentHours }}"></x-field>
                <x-field label="a blocked caller"><x-choice name="blocked" :of="['words' => 'hears words and is let go', 'ring_out' => 'hears it ring out']" :chosen="$r->blocked"/></x-field></div>
        </section>
        <section class="card"><h2>How fresh a fact must be</h2>
            <table class="list"><thead><tr><th>Field</th><th>from the caller’s</th><th>used as it is, days</th><th>asked back, days more</th></tr></thead><tbody>@foreach ($script->sheet->fields as $field)@if ($field->fromCaller && $field->fromCaller !== 'number')<tr><td>{{ $field->title }}</td><td>{{ $field->fromCaller }}</td><td><input type="number" min="0" name="fresh[{{ $field->fromCaller }}][use]" value="{{ $r->fresh[$field->fromCaller]['use'] ?? '' }}" placeholder="always"></td><td><input type="number" min="0" name="fresh[{{ $field->fromCaller }}][check]" value="{{ isset($r->fresh[$field->fromCaller]) && $r->fresh[$field->fromCaller]['check'] < 36500 ? $r->fresh[$field->fromCaller]['check'] : '' }}" placeholder="always"></td></tr>@endif @endforeach</tbody></table>
            @if ($business->errands()->exists())<x-field label="asked before the first word" hint="by the caller’s number; late or failed it only means that less is known"><x-choice name="errand" :of="$business->errands()->get()->pluck('design.label', 'key')" :chosen="$r->errand" none="no other system"/></x-field>@elseif ($r->errand)<input type="hidden" name="errand" value="{{ $r->errand }}">@endif
            <x-field label="facts that a call writes by itself" hint="others are proposed; commas between"><input name="write" value="{{ implode(', ', $r->write) }}"></x-field>
        </section>
        <p class="keep-bar"><button class="primary">Keep in the draft</button></p>
    </form>
</x-layout>
