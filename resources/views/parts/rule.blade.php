@php
    $row ??= null;
    $v = fn (string $name, mixed $kept): string => (string) ($row === null ? $kept : (is_scalar($row[$name] ?? null) ? $row[$name] : ''));
    $deep = ($rule['when'] ?? null) !== null && ! \App\Support\Book\ConditionForm::simple($rule['when']);
    $parts = $row !== null ? array_map(static fn (array $part): array => [$part['value'] ?? '', $part['comparison'] ?? 'is', $part['than'] ?? ''], array_values(array_filter((array) ($row['parts'] ?? []), is_array(...)))) : (($rule['when'] ?? null) === null ? [['', 'is', '']] : $rule['when']->comparisons());
    $shown = fn (mixed $than): string => is_array($than) ? implode(', ', array_map(strval(...), $than)) : ($than === true ? 'yes' : ($than === false ? 'no' : (string) $than));
@endphp
<div class="rule-edit" data-item>
    <div class="inline-fields">
        <label class="field-label"><span>name</span><input name="rules[{{ $i }}][key]" value="{{ $v('key', $rule['key'] ?? '') }}" placeholder="breakdowns"></label>
        <label class="field-label"><span>to</span><input name="rules[{{ $i }}][to]" list="targets" value="{{ $v('to', $rule['to'] ?? '') }}" placeholder="team:engineers, or fit"></label>
        <label class="field-label"><span>how</span><select name="rules[{{ $i }}][how]"><option value="announced">announced</option><option value="straight" @selected($v('how', $rule['how'] ?? '') === 'straight')>straight through</option></select></label>
        <label class="field-label"><span>if nobody answers <small>commas between</small></span><input name="rules[{{ $i }}][otherwise]" value="{{ $v('otherwise', implode(', ', $rule['otherwise'] ?? [])) }}" placeholder="person:joe, step:message"></label>
        <label class="field-label"><span>when these words are said <small>commas between</small></span><input name="rules[{{ $i }}][words]" value="{{ $v('words', implode(', ', $rule['words'] ?? [])) }}"></label>
        <label class="check"><input type="checkbox" name="rules[{{ $i }}][urgent]" value="1" @checked($v('urgent', ($rule['urgent'] ?? false) ? '1' : '') === '1')> urgent, from anywhere</label>
        <label class="field-label"><span>says first</span><input name="rules[{{ $i }}][say]" value="{{ $v('say', ($rule['say'] ?? null)?->variants[0] ?? '') }}"></label>
        <button type="button" class="bare" data-remove><x-icon name="x"/> take out</button>
    </div>
    @if ($deep)<input type="hidden" name="rules[{{ $i }}][kept]" value="{{ json_encode(array_values(array_filter($document->toArray()['transfers']['rules'] ?? [], fn ($r) => $r['key'] === $rule['key']))[0]['when'] ?? null) }}"><p class="muted">if {{ $rule['when']->inWords() }} (joined more than once: change it in the text view)</p>@else
    <div data-list data-least="1" class="rule-when"><span class="muted">if</span><div data-items>@foreach ($parts as $p => $part)<div data-item class="comparison"><input name="rules[{{ $i }}][parts][{{ $p }}][value]" value="{{ $part[0] }}" list="values-rules" aria-label="value" placeholder="always"><select name="rules[{{ $i }}][parts][{{ $p }}][comparison]" aria-label="comparison">@foreach (\App\Support\Book\ConditionForm::COMPARISONS as $name => $words)<option value="{{ $name }}" @selected(($part[1] === 'known' && $part[2] === false ? 'unknown' : $part[1]) === $name)>{{ $words }}</option>@endforeach</select><input name="rules[{{ $i }}][parts][{{ $p }}][than]" value="{{ in_array($part[1], ['known'], true) ? '' : $shown($part[2]) }}" aria-label="with what"><button type="button" class="bare" data-remove><x-icon name="x"/><span class="sr">Take out</span></button></div>@endforeach</div>
        <template data-blank data-token="__p__"><div data-item class="comparison"><input name="rules[{{ $i }}][parts][__p__][value]" list="values-rules" aria-label="value"><select name="rules[{{ $i }}][parts][__p__][comparison]" aria-label="comparison">@foreach (\App\Support\Book\ConditionForm::COMPARISONS as $name => $words)<option value="{{ $name }}">{{ $words }}</option>@endforeach</select><input name="rules[{{ $i }}][parts][__p__][than]" aria-label="with what"><button type="button" class="bare" data-remove><x-icon name="x"/><span class="sr">Take out</span></button></div></template>
        <span class="joins"><select name="rules[{{ $i }}][join]" aria-label="joined by"><option value="all">all of these</option><option value="any" @selected(($rule['when'] ?? null)?->join() === 'any')>any of these</option></select><button type="button" class="bare add" data-add><x-icon name="plus"/> and</button></span></div>@endif
</div>
