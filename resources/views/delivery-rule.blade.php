@php
    $of = fn (string $name, mixed $else = '') => old($name, $rule?->{$name} ?? $else);
    $kind = $of('kind', 'email');
    $is = \App\Actions\Deliveries\Kinds\DeliveryKinds::of($kind);
    $having = fn (string $part): string => implode(' ', \App\Actions\Deliveries\Kinds\DeliveryKinds::having($part));
    $timing = $rule?->timing ?? ['kind' => 'at_once'];
    $mapping = old('mapping', $rule === null ? '' : implode("\n", array_map(fn ($column, $path) => $column.': '.$path, array_keys($rule->mapping), $rule->mapping)));
    $shown = fn ($than) => is_array($than) ? implode(', ', array_map(strval(...), $than)) : ($than === true ? 'yes' : ($than === false ? 'no' : (string) $than));
@endphp
<x-layout :title="$rule?->name ?? 'New rule'" :business="$business" :agent="$agent" here="post">
    <header class="head"><h1>{{ $rule?->name ?? 'What should follow a call?' }}</h1>
        @if ($rule)<div class="actions"><form method="post" action="{{ route('post.rule.test', [$business, $rule]) }}">@csrf<button type="submit">Try it with the last call</button></form><form method="post" action="{{ route('post.rule.delete', [$business, $rule]) }}">@csrf @method('delete')<button type="submit" class="danger">Take out</button></form></div>@endif
        <p class="sub"><a href="{{ route('post', $business) }}">Post room</a></p></header>
    @if ($errors->any())<p class="error" role="alert">{{ $errors->first() }}</p>@endif
    @if ($tells !== [])<p class="notice doubt-note" role="status">Staff do not see {{ implode(' and ', $tells) }} in Ringo, but this rule tells them.</p>@endif
    <div class="rule-page">
    <form class="card rule-form" data-agent-form method="post" action="{{ $rule ? route('post.rule.update', [$business, $rule]) : route('post.rule.store', $business) }}">@csrf @if ($rule) @method('put') @endif
        <div class="inline-fields">
            <x-field label="name"><input name="name" value="{{ $of('name') }}" required placeholder="Tell the owner of urgent breakdowns"></x-field>
            <x-field label="sends"><x-choice name="kind" data-shows="kind" :of="collect(\App\Actions\Deliveries\Kinds\DeliveryKinds::all())->map(static fn ($one) => $one->means()->called())" :chosen="$kind"/></x-field>
            <x-tick name="active" value="1" :on="$rule?->active ?? true">switched on</x-tick>
            @if ($agent)<x-tick name="only" value="1" :on="$rule === null || $rule->agent_id !== null">calls of {{ $agent->name }} only</x-tick>@endif
        </div>
        <x-field class="wide" label="to" hint="addresses or numbers, role:owner, person:key, a field such as email, caller.number; a web address for a web request"><input name="to" value="{{ $of('to') }}" list="rule-to"><datalist id="rule-to"><option value="role:owner"><option value="role:staff"><option value="caller.number"><option value="caller.email">@foreach ($fields as $key => $field)<option value="{{ $key }}">{{ $field->title }}</option>@endforeach</datalist></x-field>
        <fieldset><legend>Only if <small>no condition: after every call</small></legend>
            <div data-list data-least="0"><div data-items>@foreach ($parts as $p => $part)<div data-item class="comparison"><input name="parts[{{ $p }}][value]" value="{{ $part[0] }}" list="rule-values" aria-label="value"><x-choice name="parts[{{ $p }}][comparison]" aria-label="comparison" :of="\App\Support\Book\ConditionForm::COMPARISONS" :chosen="($part[1] === 'known' && $part[2] === false ? 'unknown' : $part[1])"/><input name="parts[{{ $p }}][than]" value="{{ $part[1] === 'known' ? '' : $shown($part[2]) }}" aria-label="with what"><button type="button" class="bare" data-remove><x-icon name="x"/><span class="sr">Take out</span></button></div>@endforeach</div>
            <template data-blank data-token="__p__"><div data-item class="comparison"><input name="parts[__p__][value]" list="rule-values" aria-label="value"><x-choice name="parts[__p__][comparison]" aria-label="comparison" :of="\App\Support\Book\ConditionForm::COMPARISONS"/><input name="parts[__p__][than]" aria-label="with what"><button type="button" class="bare" data-remove><x-icon name="x"/><span class="sr">Take out</span></button></div></template>
            <button type="button" class="bare add" data-add><x-icon name="plus"/> a condition</button></div>
            <datalist id="rule-values"><option value="outcome"><option value="caller.known"><option value="call.hour"><option value="call.weekday"><option value="doubtful">@foreach ($fields as $key => $field)<option value="{{ $key }}">{{ $field->title }}</option>@endforeach</datalist>
        </fieldset>
        <fieldset class="inline-fields"><legend>When</legend>
            <x-field label="goes"><x-choice name="timing_kind" :of="['at_once' => 'at once', 'before' => 'before', 'after' => 'after']" :chosen="old('timing_kind', $timing['kind'])"/></x-field>
            <x-field label="by"><input name="timing_amount" size="4" inputmode="numeric" value="{{ old('timing_amount', $timing['amount'] ?? 1) }}"></x-field>
            <x-field label="of"><x-choice name="timing_unit" :of="['minute' => 'minutes', 'hour' => 'hours', 'day' => 'days']" :chosen="old('timing_unit', $timing['unit'] ?? 'day')"/></x-field>
            <x-field label="the day or time in" hint="empty: the call"><input name="timing_field" list="rule-fields" value="{{ old('timing_field', $timing['field'] ?? '') }}"><datalist id="rule-fields">@foreach ($fields as $key => $field)@if (in_array($field->type->value, ['date', 'datetime'], true))<option value="{{ $key }}">{{ $field->title }}</option>@endif @endforeach</datalist></x-field>
            <x-field label="taken back when a later call of theirs ends with"><input name="cancel" list="rule-outcomes" value="{{ old('cancel', implode(', ', $rule->cancel_outcomes ?? [])) }}"><datalist id="rule-outcomes">@foreach ($outcomes as $outcome)<option>{{ $outcome }}</option>@endforeach</datalist></x-field>
        </fieldset>
        <x-field class="wide" label="subject" data-shown="kind" data-when="{{ $having('subject') }}" :hidden="! $is->has('subject')"><input name="subject" value="{{ $of('subject') }}"></x-field>
        <x-field class="wide" label="message" hint="[caller_name|somebody], [summary], [outcome] and so on; a sentence with an empty value is left out" data-shown="kind" data-when="{{ $having('words') }}" :hidden="! $is->has('words')"><textarea name="words" rows="5">{{ $of('words') }}</textarea></x-field>
        <x-field label="with the file" hint="files are kept in the post room" data-shown="kind" data-when="{{ $having('file') }}" :hidden="! $is->has('file')"><x-choice name="file" :of="\App\Support\Offered::orGone(array_combine($files, $files), $rule?->file)" :chosen="$of('file')" none="none"/></x-field>
        <x-field class="wide" label="columns" hint="one a line: name: value, such as “Telephone: phone”; a web request without any sends the whole record" data-shown="kind" data-when="{{ $having('columns') }}" :hidden="! $is->has('columns')"><textarea name="mapping" rows="6" spellcheck="false">{{ $mapping }}</textarea></x-field>
        <div class="go"><button type="submit" class="primary">Keep the rule</button></div>
    </form>
    <aside class="card"><h2>With the last call</h2>
        @if ($made === null)<p class="empty">{{ $sample === null ? 'There is no call yet to try it with.' : 'Keep the rule to see what it makes of '.$sample->caller_name.'’s call.' }}</p>
        @else
            <p>{{ $sample->caller_name }}, {{ $sample->placedAt()->format('j M, H:i') }}: the condition {{ $holds ? 'holds' : 'does not hold, so nothing would be sent' }}.</p>
            <p class="muted">to {{ $made->to }}</p>@if ($made->subject !== '')<p><strong>{{ $made->subject }}</strong></p>@endif
            @if (\App\Actions\Deliveries\Kinds\DeliveryKinds::of($rule->kind)->has('file') && $rule->file)<p class="muted">with {{ $rule->file }}{{ $made->enclosed() ? ', '.$made->enclosed()->size() : ($rule->file === \App\Actions\Diary\CalendarFile::INVITATION ? ', where the call books something' : ', which is not there: nothing would be sent') }}</p>@endif
            @if ($rule->kind === 'row')<dl class="row-sample">@foreach ($rule->mapping as $column => $path)<dt>{{ $column }}</dt><dd>{{ (new \App\Actions\Deliveries\RecordValues($sample))->cell($path) ?: '—' }}</dd>@endforeach</dl>
            @else<pre class="letter">{{ \App\Actions\Deliveries\Kinds\DeliveryKinds::of($rule->kind)->shown($made->body) }}</pre>@endif
            @if ($secret)<p class="muted">Signed after the Standard Webhooks specification; the secret is kept encrypted and not shown again.</p>@endif
        @endif
    </aside></div>
</x-layout>
