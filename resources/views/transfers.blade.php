@php $plan = app(\Ringo\Numbering\NumberingPlan::class); $key = 'rules'; $target = fn (string $t): string => $t === 'fit' ? 'the team that fits what was said' : ($t === 'call_back' ? 'a call-back' : (str_starts_with($t, 'step:') ? 'the step '.str_replace('_', ' ', substr($t, 5)) : (str_starts_with($t, 'number:') ? substr($t, 7) : $board->named($t)))); @endphp
<x-layout title="Transfers" :business="$business" :agent="$agent" here="transfers">
    <header class="head"><h1>Transfers</h1><p class="sub">{{ $teams->count() }} teams, {{ $people->count() }} people. A new team works the moment it is described.</p></header>
    <x-at-once :business="$business" :area="\App\Support\AtOnce::Transfers"/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if ($script)
    <section class="card" aria-labelledby="rules-title"><h2 id="rules-title">Rules of {{ $agent->name }} <small>the first that holds decides</small></h2>
        <ol class="rules">@forelse ($script->transfers->rules as $rule)<li class="{{ in_array($rule['key'], $table['never'], true) ? 'never' : '' }}"><strong>{{ str_replace('_', ' ', $rule['key']) }}</strong>: {{ $rule['when'] ? 'if '.$rule['when']->inWords() : ($rule['words'] !== [] ? '' : 'always') }}{{ $rule['words'] !== [] ? ($rule['when'] ? ' and ' : '').'when “'.implode('” or “', array_slice($rule['words'], 0, 3)).'” is said' : '' }}{{ $rule['urgent'] ? ', from anywhere' : '' }}, to <em>{{ $target($rule['to']) }}</em>{{ str_starts_with($rule['to'], 'step:') ? '' : ($rule['how'] === 'straight' ? ', straight through' : ', announced') }}{{ $rule['otherwise'] !== [] ? '; if nobody answers, '.implode(', then ', array_map($target, $rule['otherwise'])) : '' }}.@if (in_array($rule['key'], $table['never'], true)) <span class="badge doubt">never reached</span>@endif</li>@empty<li class="empty">No rules yet: every transfer goes to the default{{ $script->transfers->default === '' ? ', and there is none' : '' }}.</li>@endforelse
            @if ($script->transfers->default !== '')<li>otherwise, to <em>{{ $target($script->transfers->default) }}</em>.</li>@endif</ol>
        @foreach ($unknown as $one)<p class="doubt-line">{{ $one }} is named in a rule, and there is no such {{ explode(':', $one)[0] }}.</p>@endforeach
        @if ($undoable)<form method="post" action="{{ route('draft.undo', [$business, $agent]) }}" class="undo-line">@csrf<input type="hidden" name="version" value="{{ $undoable->version }}"><button title="Takes back the latest change of the draft that stands"><x-icon name="undo-2"/> Undo</button> <span class="muted">{{ $undoable->words }}</span></form>@endif
        @php $typedRules = \App\Support\Typed::into('rules'); @endphp
        <details class="more" @if ($typedRules->back()) open @endif><summary>Write the rules</summary>
            <form method="post" action="{{ route('transfers.rules', [$business, $agent]) }}" data-agent-form>@csrf @method('put')<input type="hidden" name="version" value="{{ $agent->draft->version }}"><input type="hidden" name="_form" value="rules">
                <div class="texts" data-list data-least="0"><div data-items>@if ($typedRules->back())@foreach ($typedRules->rows('rules', []) as $i => $row)@include('parts.rule', ['i' => $i, 'rule' => null, 'row' => $row])@endforeach @else @foreach ($script->transfers->rules as $i => $rule)@include('parts.rule', ['i' => $i, 'rule' => $rule])@endforeach @endif</div>
                    <template data-blank>@include('parts.rule', ['i' => '__i__', 'rule' => null])</template><button type="button" class="bare add" data-add><x-icon name="plus"/> a rule</button></div>
                <div class="inline-fields"><label class="field-label"><span>default</span><input name="default" list="targets" value="{{ $typedRules->text('default', $script->transfers->default) }}" placeholder="team:reservations"></label><label class="field-label wide"><span>said while it rings on</span><input name="waiting" value="{{ $typedRules->text('waiting', $script->transfers->waiting?->variants[0] ?? '') }}"></label><button class="primary">Keep the rules in the draft</button></div>
                <datalist id="targets"><option value="fit">the team that fits</option><option value="call_back">a call-back when it suits</option>@foreach ($teams as $team)<option value="team:{{ $team->key }}">{{ $team->name }}</option>@endforeach @foreach ($people as $one)<option value="person:{{ $one->key }}">{{ $one->name }}</option>@endforeach @foreach ($script->steps as $k => $s)<option value="step:{{ $k }}">back to {{ $k }}</option>@endforeach</datalist>
                @include('parts.book.values')
            </form></details>
    </section>
    <section class="card scroll" aria-labelledby="table-title"><h2 id="table-title">Who would be rung <small>as if everybody were free; in green, the step of the script it goes to; open a cell for the reason</small></h2>
        @if ($table['uncovered'] !== [])<p class="doubt-line">{{ count($table['uncovered']) === 1 ? 'One situation is' : count($table['uncovered']).' situations are' }} covered by nobody, such as {{ $table['uncovered'][0] }}: the transfer step’s own way out is taken.</p>@else<p class="muted">Every situation is covered.</p>@endif
        <table class="list situations"><thead><tr><th>About</th><th>From</th>@foreach (\App\Actions\Transfers\Situations::HOURS as $words)<th>{{ $words }}</th>@endforeach</tr></thead>
            <tbody>@foreach (collect($table['rows'])->groupBy('topic') as $topic => $rows)@foreach ($rows as $row)<tr>@if ($loop->first)<th scope="rowgroup" rowspan="{{ count($rows) }}">{{ $table['topics'][$topic] }}</th>@endif<td class="muted">{{ count($rows) === 1 ? 'anybody' : implode(', ', $row['callers']) }}</td>@foreach (\App\Actions\Transfers\Situations::HOURS as $hour => $hw)@php $cell = $row['cells'][$hour]; @endphp<td class="situation {{ $cell['state'] }}"><details><summary>{{ $cell['who'] }}</summary><ul>@foreach ($cell['why'] as $why)<li>{{ $why }}</li>@endforeach</ul></details></td>@endforeach</tr>@endforeach @endforeach</tbody></table>
    </section>
    @endif
    <section class="card" aria-labelledby="which-title"><h2 id="which-title">Which team fits</h2>
        <form method="get" class="inline-fields"><label class="field-label wide"><span>what a caller might say</span><input name="said" value="{{ $said }}" placeholder="the thing you delivered won’t start"></label><button>Try it</button></form>
        @if ($fit)<p>{{ $fit->why }}.</p>@if ($fit->question !== '')<p class="voice agent">“{{ $fit->question }}”</p>@endif<ul class="fits">@foreach ($fit->scores as $k => $score)<li><span>{{ $board->teams[$k]->team->name ?? $k }}</span><meter min="0" max="1.2" value="{{ $score }}"></meter><span class="figures">{{ number_format($score, 2) }}</span></li>@endforeach</ul>@endif
    </section>
    <div class="release-body">
        <section aria-labelledby="teams-title"><h2 id="teams-title">Teams</h2>
            @foreach ($teams as $team)<details class="card team" @if (\App\Support\Typed::into('team-'.$team->key)->back()) open @endif><summary><strong>{{ $team->name }}</strong> <span class="muted">{{ $team->description }}; {{ ['all' => 'all ring at once', 'turn' => 'ring in turn', 'idle' => 'longest idle first'][$team->ring] }}, {{ $team->people->pluck('name')->implode(', ') ?: 'nobody yet' }}</span></summary>@include('parts.team', ['team' => $team])</details>@endforeach
            <details class="card team" @if (\App\Support\Typed::into('team-new')->back()) open @endif><summary><x-icon name="plus"/> A new team</summary>@include('parts.team', ['team' => null])</details>
        </section>
        <section aria-labelledby="people-title"><h2 id="people-title">People</h2>
            @foreach ($people as $person)<details class="card team"><summary><strong>{{ $person->name }}</strong> <span class="muted">{{ $person->presence }}{{ $person->number ? ', '.($plan->describe($person->number)?->inNationalFormat() ?? $person->number) : '' }}{{ $person->site !== '' ? ', '.$person->site : '' }}</span></summary>@include('parts.person', ['person' => $person])</details>@endforeach
            <details class="card team"><summary><x-icon name="plus"/> A new person</summary>@include('parts.person', ['person' => null])</details>
        </section>
    </div>
</x-layout>
