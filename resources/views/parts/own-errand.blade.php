<div class="rule-edit" data-item>
    <div class="inline-fields">
        <input type="hidden" name="own_errands[{{ $i }}][key]" value="{{ $one['key'] ?? '' }}">
        <x-field label="runs"><x-choice name="own_errands[{{ $i }}][errand]" :of="\App\Support\Offered::orGone($errands->pluck('design.label', 'key')->all(), $one['errand'] ?? '')" :chosen="$one['errand'] ?? ''" none="choose an errand"/></x-field>
        <x-field label="when"><x-choice name="own_errands[{{ $i }}][moment]" :of="['at_once' => 'the moment this holds', 'end' => 'the call is over, and this holds']" :chosen="$one['moment'] ?? ''"/></x-field>
        <button type="button" class="bare" data-remove><x-icon name="x"/> take out</button>
    </div>
    @include('parts.comparisons', ['name' => "own_errands[{$i}]", 'when' => isset($one['when']) && is_array($one['when']) ? \Ringo\Script\Condition::read(\Ringo\Document\Node::root($one['when'])) : null, 'written' => $one['when'] ?? null, 'row' => isset($one['parts']) ? $one : null, 'list' => 'values-own', 'always' => 'however it ends'])
</div>
