@php
    $clock = fn (float $s): string => intdiv((int) $s, 60).':'.str_pad((string) ((int) $s % 60), 2, '0', STR_PAD_LEFT);
    $cells = $call->record->cells ?? [];
    $declined = $call->record->declined ?? ($call->state['declined'] ?? []);
    $missing = $call->record->missing ?? [];
    $number = $call->from ? app(\Ringo\Numbering\NumberingPlan::class)->describe($call->from)?->inNationalFormat() : null;
    $designs = auth()->user()->roleIn($business)?->designs() ?? false;
@endphp
<x-layout :title="$call->caller_name.', '.$call->placedAt()->format('j F')" :business="$business" :agent="$agent" here="calls">
    <header class="head">
        <h1>{{ $call->caller_name }}<span class="thin">, {{ $call->inProgress() ? 'call in progress' : $call->outcome }}</span></h1>
        <div class="actions">
            <details class="pick"><summary class="button"><x-icon name="download"/> Export</summary>
                <ul>
                    <li><a href="{{ route('call.csv', [$business, $call]) }}">Record as CSV</a></li>
                    <li><a href="{{ route('call.jsonl', [$business, $call]) }}">Record as JSON Lines</a></li>
                    <li><a href="{{ route('call.vcon', [$business, $call]) }}">Call as vCon</a></li>
                    <li><a href="{{ route('call.vtt', [$business, $call]) }}">Transcript as WebVTT</a></li>
                </ul>
            </details>
            @if ($designs)
                @unless ($call->trashed() || $call->inProgress())<a class="button" href="{{ route('call.replay', [$business, $call]) }}">Replay against the draft</a>@if ($designs)<details class="pick keep-case"><summary class="button">Keep as a case</summary><form method="post" action="{{ route('case.keep', [$business, $call]) }}" class="stack">@csrf<x-field label="name of the case"><input name="title" required maxlength="120" value="{{ ucfirst($call->outcome ?: 'a call') }}, {{ $call->caller_name }}"></x-field><x-tick name="tied" value="1" :on="true">answers go to what was asked, whatever the order</x-tick><button class="primary">Keep it</button></form></details>@endif @endunless
                @if ($call->trashed())
                    <form method="post" action="{{ route('call.restore', [$business, $call]) }}">@csrf<button type="submit">Bring it back</button></form>
                @else
                    <form method="post" action="{{ route('call.delete', [$business, $call]) }}">@csrf @method('delete')<button type="submit" class="danger" title="Deletes the call with transcript, audio and record; you can undo it"><x-icon name="trash-2"/> Delete</button></form>
                @endif
            @endif
        </div>
        <p class="sub">
            <span title="{{ $call->placedAt()->format('c') }}">{{ $call->placedAt()->format('l j F Y, H:i') }}</span> ·
            {{ intdiv((int) $call->seconds, 60) }} min {{ (int) $call->seconds % 60 }} s ·
            {{ $agent->name }}, {{ $call->release ? 'release '.$call->release->number : 'draft' }} ·
            @if ($number)<span title="{{ $call->from }}">{{ $number }}</span>@else number withheld @endif
            @if ($call->contact?->organisation) · {{ $call->contact->organisation }}@endif
            · {{ $call->kind }}@if ($call->line) · on {{ $call->line->name }}@endif
        </p>
        @if ($call->way)<details class="came"><summary>How it came</summary><ol class="way-list">@foreach ($call->way as $one)<li>{{ ucfirst($one) }}</li>@endforeach</ol></details>@endif
    </header>
    @if ($call->trashed())<p class="notice" role="status">This call is deleted. It can be brought back, with its transcript and record.</p>@endif
    <div data-lights>
    @include('parts.strip', ['marks' => $call->marks ?? [], 'turns' => $call->turns, 'live' => $call->inProgress(), 'agent' => $agent->name])
    @if ($call->staff_note)<p class="notice"><span><strong>Note of staff:</strong> {{ $call->staff_note }}</span></p>@endif
    <div class="call-body">
        <section aria-labelledby="said-title">
            <h2 id="said-title">What was said</h2>
            <ol class="turns">
                @foreach ($call->turns as $turn)
                    <li id="turn-{{ $turn->n }}" class="turn {{ $turn->by }}" data-turn="{{ $turn->n }}" tabindex="-1">
                        <span class="at">{{ $clock($turn->at) }}</span>
                        <span class="voice {{ $turn->by }}">{{ $turn->by === 'agent' ? $agent->name : ucfirst($turn->by) }}</span>
                        <p>@if ($turn->keys)<span class="keys-pressed">presses @endif @foreach ($marked[$turn->n] as $piece)@if ($piece['fields'] === []){{ $piece['text'] }}@else<mark data-fields="{{ implode(' ', $piece['fields']) }}" tabindex="0">{{ $piece['text'] }}</mark>@endif @endforeach
                            @if ($turn->keys)</span>@endif
                            @if ($turn->by === 'agent')<button type="button" class="hear" data-hear="{{ route('call.audio', [$business, $call, $turn->n]) }}" aria-label="Hear this line"><x-icon name="volume-2"/></button>@endif
                            @if ($turn->by === 'caller' && ! $turn->keys && $designs && $teams->isNotEmpty() && str_word_count($turn->text) >= 3)<details class="meant-for"><summary>this was for …</summary><form method="post" action="{{ route('example.store', $business) }}">@csrf<input type="hidden" name="said" value="{{ $turn->text }}"><input type="hidden" name="call" value="{{ $call->ref }}"><label class="sr" for="team-{{ $turn->n }}">team</label><x-choice id="team-{{ $turn->n }}" name="team" :of="collect($teams)->pluck('name', 'key')"/> <button>Keep as an example</button></form></details>@endif
                            @foreach ($turn->sources ?? [] as $source)<small class="source" title="Where this answer is written">{{ $source }}</small>@endforeach</p>
                    </li>
                @endforeach
            </ol>
        </section>
        <section class="record" aria-labelledby="record-title">
            <h2 id="record-title">The record</h2>
            @if ($call->record === null)
                <p class="empty">The record is written when the call ends.</p>
            @else
                <dl>
                    @foreach (array_diff_key($fields, $keptBack) as $key => $field)
                        @php $cell = $cells[$key] ?? null; @endphp
                        @if ($cell !== null)
                            <div class="cell {{ $cell['doubt'] ? 'doubtful' : '' }}" data-field="{{ $key }}" @if ($cell['turn'] !== null) data-at-turn="{{ $cell['turn'] }}" @endif tabindex="0">
                                <dt>{{ $field->title }}</dt>
                                <dd><span class="value">{{ $cell['display'] }}</span>
                                    <span class="from">{{ $cell['origin'] === 'looked_up' ? $cell['said'] : ($cell['origin'] === 'recognised' ? 'known from the contact' : $cell['origin'].($cell['turn'] !== null ? ' at '.$clock($call->turns->firstWhere('n', $cell['turn'])->at ?? 0) : '')) }}</span>
                                    @if ($cell['doubt'])<span class="doubt-note">{{ $cell['doubt'] }}</span>@endif</dd>
                                <dd class="sure {{ $cell['confidence'] >= 0.8 ? 'good' : ($cell['confidence'] >= 0.6 ? 'doubt' : 'wrong') }}" title="Confidence">{{ number_format($cell['confidence'], 2) }}</dd>
                            </div>
                        @elseif (in_array($key, $declined, true) || in_array($key, $missing, true))
                            <div class="cell none {{ in_array($key, $missing, true) ? 'doubtful' : '' }}"><dt>{{ $field->title }}</dt><dd>{{ in_array($key, $missing, true) ? 'missing, and required' : 'asked, not given' }}</dd><dd></dd></div>
                        @endif
                    @endforeach
                    @foreach ($keptBack as $title)<div class="cell none"><dt>{{ $title }}</dt><dd>for owners and designers</dd><dd></dd></div>@endforeach
                    <div class="cell"><dt>Outcome</dt><dd><span class="value">{{ $call->outcome }}</span></dd><dd></dd></div>
                </dl>
                <p class="summary">{{ $summary }}</p>
                @if (($call->record->next_actions ?? []) !== [])<h3>What to do now</h3><ul class="next-actions">@foreach ($call->record->next_actions as $action)<li>{{ $action }}</li>@endforeach</ul>@endif
                @if (($call->record->doubts ?? []) !== [])<ul class="next-actions">@foreach ($call->record->doubts as $key => $doubt)<li class="doubt-note">{{ $fields[$key]->title ?? str_replace('_', ' ', $key) }}: {{ $doubt }}</li>@endforeach</ul>@endif
                @if ($call->deliveries->isNotEmpty())<h3>What followed</h3><ul class="next-actions">@foreach ($call->deliveries as $one)<li><a href="{{ route('delivery', [$business, $one]) }}">{{ $one->name }}</a> <small>{{ $one->kind }} to {{ $one->to }}, {{ $one->state }}</small></li>@endforeach</ul>@endif
            @endif
        </section>
    </div>
    @if ($designs && ($advices = \App\Models\Advice::of($call)->get())->isNotEmpty())
        <details class="why-log"><summary>Asked of the adviser: {{ $advices->count() }} {{ $advices->count() === 1 ? 'time' : 'times' }}, {{ $advices->sum('milliseconds') }} ms{{ $advices->sum('millionths') > 0 ? ', cost '.number_format($advices->sum('millionths') / 1e6, 5) : '' }}</summary>
            @include('parts.advices', ['asked' => $advices, 'times' => true])
        </details>
    @endif
    @if ($designs)
        <details class="why-log" data-again-url="{{ route('handset.again', [$business, $call]) }}"><summary>Why {{ $agent->name }} did what it did, turn by turn</summary>
            @php $stepTurns = \App\Support\StepTurns::of($call->steps, $call->turns); @endphp
            @foreach ($call->steps as $step)
                @include('parts.trace', ['step' => $step, 'turns' => $stepTurns[$step->n], 'script' => $script, 'call' => $call, 'backable' => true])
            @endforeach
        </details>
    @endif
    </div>
</x-layout>
