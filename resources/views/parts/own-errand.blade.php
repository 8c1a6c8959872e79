<div class="rule-edit" data-item>
    <div class="inline-fields">
        <input type="hidden" name="own_errands[{{ $i }}][key]" value="{{ $one['key'] ?? '' }}">
        <x-field label="runs"><select name="own_errands[{{ $i }}][errand]"><option value="">choose an errand</option>@foreach ($errands as $errand)<option value="{{ $errand->key }}" @selected(($one['errand'] ?? '') === $errand->key)>{{ $errand->design['label'] }}</option>@endforeach @if (($one['errand'] ?? '') !== '' && ! $errands->contains('key', $one['errand']))<option value="{{ $one['errand'] }}" selected>{{ $one['errand'] }} (not there)</option>@endif</select></x-field>
        <x-field label="when"><select name="own_errands[{{ $i }}][moment]"><option value="at_once">the moment this holds</option><option value="end" @selected(($one['moment'] ?? '') === 'end')>the call is over, and this holds</option></select></x-field>
        <button type="button" class="bare" data-remove><x-icon name="x"/> take out</button>
    </div>
    @include('parts.comparisons', ['name' => "own_errands[{$i}]", 'when' => isset($one['when']) && is_array($one['when']) ? \Ringo\Script\Condition::read(\Ringo\Document\Node::root($one['when'])) : null, 'written' => $one['when'] ?? null, 'row' => isset($one['parts']) ? $one : null, 'list' => 'values-own', 'always' => 'however it ends'])
</div>
