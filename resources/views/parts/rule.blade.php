@php
    $row ??= null;
    $v = fn (string $name, mixed $kept): string => (string) ($row === null ? $kept : (is_scalar($row[$name] ?? null) ? $row[$name] : ''));
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
    @include('parts.comparisons', ['name' => "rules[{$i}]", 'when' => $rule['when'] ?? null, 'row' => $row, 'list' => 'values-rules', 'always' => 'always', 'written' => array_values(array_filter($document->toArray()['transfers']['rules'] ?? [], fn ($r) => $r['key'] === ($rule['key'] ?? '')))[0]['when'] ?? null])
</div>
