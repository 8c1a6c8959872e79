@php /** @var \Ringo\Rehearsal\FinishedCall $call */ @endphp
<x-layout :title="$starter['title']" :business="$business" :agent="null" here="agents">
    <header class="head"><h1>{{ $starter['title'] }}</h1><p class="sub">{{ $starter['purpose'] }} <a href="{{ route('agent.new', $business) }}">All starters</a></p></header>
    <div class="starter-body">
        <section aria-labelledby="sample-title">
            <h2 id="sample-title">A sample call <small>with sample words in the blanks, really run</small></h2>
            <ol class="transcript">
                @foreach ($call->transcript->turns as $n => $turn)
                    <li class="turn {{ $turn->by }}"><span class="voice {{ $turn->by }}">{{ $turn->by === 'agent' ? $script->agent->name : 'Caller' }}</span>
                        <span class="words">@if ($turn->keys)<kbd>{{ $turn->text }}</kbd>@else{{ $turn->text }}@endif</span>
                        @if ($turn->by === 'agent')<button type="button" class="bare" data-hear="{{ route('starter.audio', [$business, $starter['key'], $n]) }}" aria-label="Hear this line"><x-icon name="volume-2"/></button>@endif</li>
                @endforeach
            </ol>
            <p class="muted">It ends with: {{ $call->state->outcome }}.</p>
        </section>
        <aside>
            <form method="post" action="{{ route('agent.store', $business) }}" class="card stack">@csrf<input type="hidden" name="from" value="starter"><input type="hidden" name="starter" value="{{ $starter['key'] }}">
                <h2>Start from it</h2>
                <x-field label="name, as callers hear it"><input name="name" required maxlength="60" value="{{ old('name', $script->agent->name) }}"></x-field>
                @error('name')<p class="error" role="alert">{{ $message }}</p>@enderror
                <button class="primary">Make the agent</button>
            </form>
            <section class="card"><h2>Blanks to fill</h2><ul class="blanks">@foreach ($starter['blanks'] as $blank)<li>{{ trim($blank, '{}') }}</li>@endforeach</ul><p class="muted">{{ $business->name }} is put in as the business by itself.</p></section>
            <section class="card"><h2>What a call leaves</h2><ul class="blanks">@foreach ($script->sheet->fields as $field)<li>{{ $field->title }} <span class="muted">{{ \Ringo\Sheet\FieldFormats::WORDS[$field->type->value] }}{{ $field->required ? ', required' : '' }}</span></li>@endforeach</ul></section>
        </aside>
    </div>
</x-layout>
