@php
    $row ??= null;
    $v = fn (string $name, mixed $kept): string => (string) ($row === null ? $kept : (is_scalar($row[$name] ?? null) ? $row[$name] : ''));
@endphp
<div class="rule-edit" data-item>
    <div class="inline-fields">
        <x-field label="name"><input name="rules[{{ $i }}][key]" value="{{ $v('key', $rule['key'] ?? '') }}" placeholder="breakdowns"></x-field>
        <x-field label="to"><input name="rules[{{ $i }}][to]" list="targets" value="{{ $v('to', $rule['to'] ?? '') }}" placeholder="team:engineers, or fit"></x-field>
        <x-field label="how"><x-choice name="rules[{{ $i }}][how]" :of="['announced' => 'announced', 'straight' => 'straight through']" :chosen="$v('how', $rule['how'] ?? '')"/></x-field>
        <x-field label="if nobody answers" hint="commas between"><input name="rules[{{ $i }}][otherwise]" value="{{ $v('otherwise', implode(', ', $rule['otherwise'] ?? [])) }}" placeholder="person:joe, step:message"></x-field>
        <x-field label="when these words are said" hint="commas between"><input name="rules[{{ $i }}][words]" value="{{ $v('words', implode(', ', $rule['words'] ?? [])) }}"></x-field>
        <x-tick name="rules[{{ $i }}][urgent]" value="1" :on="$v('urgent', ($rule['urgent'] ?? false) ? '1' : '') === '1'">urgent, from anywhere</x-tick>
        <x-field label="says first"><input name="rules[{{ $i }}][say]" value="{{ $v('say', ($rule['say'] ?? null)?->variants[0] ?? '') }}"></x-field>
        <button type="button" class="bare" data-remove><x-icon name="x"/> take out</button>
    </div>
    @include('parts.comparisons', ['name' => "rules[{$i}]", 'when' => $rule['when'] ?? null, 'row' => $row, 'list' => 'values-rules', 'always' => 'always', 'written' => array_values(array_filter($document->toArray()['transfers']['rules'] ?? [], fn ($r) => $r['key'] === ($rule['key'] ?? '')))[0]['when'] ?? null])
</div>
