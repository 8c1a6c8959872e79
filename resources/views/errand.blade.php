@php
    $of = fn (string $name, mixed $else = '') => old($name, $else);
    $request = $design['request'] ?? [];
    $rows = fn (string $name, array $else): array => is_array(old($name)) ? array_values(old($name)) : $else;
    $parameters = $rows('parameters', array_map(fn ($one) => ['key' => $one['key'], 'label' => $one['label'] ?? '', 'type' => $one['type'] ?? 'text', 'from' => isset($one['value']) ? '='.(is_bool($one['value']) ? ($one['value'] ? 'true' : 'false') : $one['value']) : ($one['from'] ?? ''), 'optional' => ! ($one['required'] ?? true)], $design['parameters'] ?? []));
    $values = $rows('values', $design['answer']['values'] ?? []);
    $by = $rows('by', $design['table']['by'] ?? []);
    $reach = $of('reach', $design['reach'] ?? 'request');
    $types = array_filter(array_column(\Ringo\Value\ValueType::cases(), 'value'), fn ($type) => $type !== 'items');
    $ran = session('ran');
    $words = ['found' => 'one found', 'not_found' => 'nothing found', 'several' => 'several found', 'failed' => 'failed', 'slow' => 'too slow'];
    $shown = fn (mixed $value): string => $value === null ? '—' : (is_bool($value) ? ($value ? 'yes' : 'no') : (is_array($value) ? ($value['amount'] ?? '').' '.($value['currency'] ?? '') : (string) $value));
@endphp
<x-layout :title="$design['label'] ?? 'New errand'" :business="$business" :agent="$agent" here="errands">
    <header class="head"><h1>{{ $design['label'] ?? 'New errand' }}</h1>
        <p class="sub"><a href="{{ route('errands', $business) }}">Errands</a>@foreach ($uses as $use) · used at <a href="{{ route('prompt-book', [$business, $use['agent']]) }}#step-{{ $use['step'] }}">{{ $use['name'] }}: {{ $use['step'] }}</a>@endforeach</p>
        @if ($errand)<div class="actions"><form method="post" action="{{ route('errand.delete', [$business, $errand]) }}">@csrf @method('delete')<button type="submit" class="danger">Take out</button></form></div>@endif</header>
    @error('design')@foreach ($errors->get('design') as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach @enderror
    @if ($errand && ($sight = $errand->design()->secretsInSight()))<p class="notice doubt-note" role="status">“{{ implode('”, “', $sight) }}” stands where everybody who sees this design can read it. Keep it as the secret below.</p>@endif
    <div class="rule-page errand-page">
        <form class="card rule-form" data-agent-form method="post" action="{{ $errand ? route('errand.update', [$business, $errand]) : route('errand.store', $business) }}">@csrf @if ($errand) @method('put') @endif
            <div class="inline-fields">
                <x-field label="name"><input name="label" value="{{ $of('label', $design['label'] ?? '') }}" required placeholder="Look up a hire"></x-field>
                <x-field label="key" hint="for steps and placeholders"><input name="key" class="mono" value="{{ $of('key', $design['key'] ?? '') }}" required pattern="[a-z][a-z0-9_]*" placeholder="hire"></x-field>
                <x-field label="the other side is called"><input name="system" value="{{ $of('system', $design['system'] ?? '') }}" placeholder="the yard system"></x-field>
            </div>
            <x-field class="wide" label="what it is for"><input name="about" value="{{ $of('about', $design['about'] ?? '') }}" placeholder="Finds a hire by the number of its contract: what is on hire, where, until when"></x-field>
            <fieldset><legend>Goes to</legend>
                <div class="inline-fields">
                    <x-field label="where"><x-choice name="reach" data-shows="reach" :of="['request' => 'another system, over HTTP', 'table' => 'a table kept here', 'callers' => 'the callers']" :chosen="$reach"/></x-field>
                    <x-field label="method" data-shown="reach" data-when="request" :hidden="$reach !== 'request'"><x-choice name="method" :of="collect(\Ringo\Errand\Request::METHODS)->combine(\Ringo\Errand\Request::METHODS)" :chosen="$of('method', $request['method'] ?? 'GET')"/></x-field>
                    <x-field class="grow" label="address" hint="{number} stands for what the call knows" data-shown="reach" data-when="request" :hidden="$reach !== 'request'"><input name="url" class="mono" value="{{ $of('url', $request['url'] ?? '') }}" placeholder="https://yard.pellbrook.example/hires/{number}"></x-field>
                    <x-field label="table" data-shown="reach" data-when="table" :hidden="$reach !== 'table'"><input name="table" list="tables" value="{{ $of('table', $design['table']['name'] ?? '') }}"><datalist id="tables">@foreach ($business->errandTables as $table)<option value="{{ $table->name }}">{{ implode(', ', $table->columns) }}</option>@endforeach</datalist></x-field>
                </div>
                <div class="inline-fields" data-shown="reach" data-when="request" @if ($reach !== 'request') hidden @endif>
                    <x-field label="query" hint="name: value, one a line"><textarea name="query" rows="2" class="mono" spellcheck="false">{{ $of('query', \App\Support\ErrandForm::written($request['query'] ?? [])) }}</textarea></x-field>
                    <x-field label="headers" hint="name: value, one a line"><textarea name="headers" rows="2" class="mono" spellcheck="false">{{ $of('headers', \App\Support\ErrandForm::written($request['headers'] ?? [])) }}</textarea></x-field>
                    <x-field label="body" hint="JSON, with {blanks}"><textarea name="body" rows="2" class="mono" spellcheck="false">{{ $of('body', isset($request['body']) ? json_encode($request['body'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) : '') }}</textarea></x-field>
                </div>
                <div class="inline-fields" data-shown="reach" data-when="request" @if ($reach !== 'request') hidden @endif>
                    <x-field label="secret goes along"><x-choice name="secret_how" data-shows="secret_how" :of="['bearer' => 'as a bearer token', 'header' => 'in a header', 'basic' => 'as name:password', 'signed' => 'as a signature (Standard Webhooks)']" :chosen="$of('secret_how', $design['secret']['how'] ?? '')" none="there is none"/></x-field>
                    <x-field label="header" data-shown="secret_how" data-when="header" :hidden="$of('secret_how', $design['secret']['how'] ?? '') !== 'header'"><input name="secret_header" value="{{ $of('secret_header', $design['secret']['header'] ?? '') }}" placeholder="X-Api-Key"></x-field>
                    <x-field label="secret" :hint="$errand?->secret ? 'one is kept, and never shown; type to replace it' : 'kept encrypted, never shown again'"><input name="secret" type="password" autocomplete="new-password" value=""></x-field>
                    <x-tick name="form" value="1" :on="$of('form', $request['form'] ?? false)">body as a form</x-tick>
                </div>
                <div data-list data-least="0" class="texts" data-shown="reach" data-when="table callers" @if ($reach === 'request') hidden @endif><div class="label">Rows are found by <small>every column that is known must fit</small></div>
                    <div data-items class="grid-items errand-by">@foreach ($by as $i => $one)@include('parts.errand.by', ['i' => $i, 'one' => $one])@endforeach</div>
                    <template data-blank>@include('parts.errand.by', ['i' => '__i__', 'one' => []])</template>
                    <button type="button" class="bare add" data-add><x-icon name="plus"/> a column</button></div>
            </fieldset>
            <div data-list data-least="0" class="texts"><div class="label">Needs <small>from a field, caller.account, call.date; =text is always the same; what is missing is asked for</small></div>
                <div class="grid-heads errand-parameters" aria-hidden="true"><span>key</span><span>what it is</span><span>type</span><span>from</span><span></span><span></span></div>
                <div data-items class="grid-items errand-parameters">@foreach ($parameters as $i => $one)@include('parts.errand.parameter', ['i' => $i, 'one' => $one])@endforeach</div>
                <template data-blank>@include('parts.errand.parameter', ['i' => '__i__', 'one' => []])</template>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> something it needs</button></div>
            <div data-list data-least="0" class="texts"><div class="label">Reads from the answer <small>hire.lines[0].item; a column for tables</small></div>
                <div class="grid-heads errand-values" aria-hidden="true"><span>key</span><span>what it is</span><span>type</span><span>where it stands</span><span></span><span></span></div>
                <div data-items class="grid-items errand-values">@foreach ($values as $i => $one)@include('parts.errand.value', ['i' => $i, 'one' => $one])@endforeach</div>
                <template data-blank>@include('parts.errand.value', ['i' => '__i__', 'one' => []])</template>
                <button type="button" class="bare add" data-add><x-icon name="plus"/> a value</button></div>
            <div class="inline-fields">
                <x-field label="list in the answer" hint="empty: the answer is one"><input name="list" class="mono" value="{{ $of('list', $design['answer']['list'] ?? '') }}" placeholder="hires"></x-field>
                <x-field label="found only where" hint="a path"><input name="found_path" class="mono" value="{{ $of('found_path', $design['answer']['found']['path'] ?? '') }}"></x-field>
                <x-field label="is" hint="empty: is anything"><input name="found_is" value="{{ $of('found_is', implode(', ', array_map(strval(...), $design['answer']['found']['is'] ?? []))) }}"></x-field>
                <x-field label="several are told apart by"><input name="apart" value="{{ $of('apart', implode(', ', $design['answer']['apart'] ?? [])) }}" placeholder="site, due"></x-field>
            </div>
            <div class="inline-fields">
                <x-field class="narrow" label="waits up to" hint="s"><input name="seconds" type="number" min="0.2" max="30" step="0.1" value="{{ $of('seconds', $design['seconds'] ?? 4) }}"></x-field>
                <x-tick name="changes" value="1" :on="$of('changes', $design['changes'] ?? false)">changes something over there <small>sent once, under a key of its own</small></x-tick>
                <input type="hidden" name="keeps_asked" value="1"><x-tick name="keeps" value="1" :on="$of('keeps', $design['keeps'] ?? true)">the same question is answered from before in a call</x-tick>
            </div>
            <div class="go"><button type="submit" class="primary">Keep the errand</button></div>
        </form>
        <aside class="errand-try">
            @if ($errand === null)<section class="card"><h2>Try it</h2><p class="empty">Keep the errand first; then it can be run here, and its answer kept to try paths, names and words on without asking again.</p></section>
            @else
                <section class="card"><h2>Try it</h2>
                    @error('run')<p class="error" role="alert">{{ $message }}</p>@enderror
                    <form method="post" action="{{ route('errand.run', [$business, $errand]) }}" class="stack">@csrf
                        @foreach ($design['parameters'] as $one)@if (! isset($one['value']))<label class="field-label wide"><span>{{ $one['label'] }} @if (! ($one['required'] ?? true))<small>may be empty</small>@endif</span><input name="given[{{ $one['key'] }}]" value="{{ old('given.'.$one['key'], $with === null ? ($errand->kept['values'][$one['key']] ?? '') : (is_scalar($with[$one['key']] ?? null) ? $with[$one['key']] : '')) }}"></label>@endif @endforeach
                        <div class="go"><button type="submit" class="primary">Ask it now</button>@if ($design['changes'] ?? false)<small class="doubt">It changes something in {{ $design['system'] }}.</small>@endif</div></form>
                    @if ($ran)<p class="ran {{ $ran['status'] }}" role="status">@if (in_array($ran['status'], ['failed', 'slow'], true))<x-icon name="circle-alert"/>@else<x-icon name="circle-check"/>@endif {{ $words[$ran['status']] }}{{ $ran['reason'] === '' ? '' : ': '.$ran['reason'] }}, after {{ $ran['milliseconds'] }} ms.</p>
                        @if ($ran['table'] && $ran['rows'])<dl class="row-sample">@foreach ($ran['rows'][0] as $key => $value)<dt>{{ $key }}</dt><dd>{{ $shown($value) }}</dd>@endforeach</dl>@endif
                    @endif
                </section>
                @if ($errand->kept)
                    <section class="card"><h2>The kept answer gives</h2>
                        <p class="{{ in_array($read->status, ['failed', 'slow'], true) ? 'error' : 'muted' }}" data-read-status="{{ $read->status }}">{{ ucfirst($words[$read->status]) }}{{ $read->reason === '' ? '' : ': '.$read->reason }}{{ $read->status === 'several' ? ', '.count($read->rows).' rows; the first is shown' : '' }}.</p>
                        @if ($read->rows)<table class="list plain read-values"><thead><tr><th>Value</th><th>Is</th><th>Is said</th></tr></thead><tbody>@foreach ($design['answer']['values'] as $value)<tr><td class="mono">[{{ $errand->key }}.{{ $value['key'] }}]</td><td data-value="{{ $value['key'] }}">{{ $shown($read->rows[0][$value['key']] ?? null) }}</td><td>{{ $spoken[$value['key']] ?? '' }}</td></tr>@endforeach</tbody></table>@endif
                        <details @if (in_array($read->status, ['failed'], true)) open @endif><summary>The answer as it stands <small>{{ $errand->kept['status'] }}{{ $errand->kept['milliseconds'] ? ', '.$errand->kept['milliseconds'].' ms' : ', made up from the description' }}, {{ \Illuminate\Support\Carbon::parse($errand->kept['at'])->setTimezone($business->tz)->format('j M, H:i') }}</small></summary>
                            <form method="post" action="{{ route('errand.answer', [$business, $errand]) }}" class="stack">@csrf @method('put')
                                <x-field class="narrow" label="status"><input name="status" inputmode="numeric" value="{{ $errand->kept['status'] }}"></x-field>
                                @php $json = json_decode($errand->kept['body']); @endphp
                                <x-field class="wide" label="answer" quiet><textarea name="body" rows="14" class="mono" spellcheck="false">{{ $json === null ? $errand->kept['body'] : json_encode($json, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) }}</textarea></x-field>
                                <div class="go"><button type="submit">Keep this answer</button></div></form></details>
                    </section>
                @endif
                @if (count($runs))<section class="card"><h2>In calls</h2>@foreach ($runs as $run)<div class="line"><span class="what"><a href="{{ route('call', [$business, $run->call]) }}">{{ $run->call->placedAt()->format('j M, H:i') }}</a></span><span>{{ implode(', ', array_map(fn ($value) => is_scalar($value) ? (string) $value : '', $run->values)) }}: {{ $words[$run->reply['status'] ?? ''] ?? 'under way' }}</span><span class="when">{{ $run->milliseconds }} ms · <a href="{{ route('errand', [$business, $errand, 'run' => $run->id]) }}">try with these</a></span></div>@endforeach</section>@endif
            @endif
        </aside>
    </div>
</x-layout>
