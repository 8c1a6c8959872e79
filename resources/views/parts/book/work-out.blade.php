<div class="grid-item" data-item>
    <input name="work_out[{{ $i }}][field]" value="{{ $field }}" list="values-{{ $key }}" aria-label="field that takes the sum" placeholder="total">
    <span class="muted">=</span>
    <input name="work_out[{{ $i }}][base]" value="{{ $one['base'] ?? '' }}" aria-label="value, fact or number" placeholder="equipment.day_rate">
    <span class="muted">×</span>
    <input name="work_out[{{ $i }}][times]" value="{{ $one['times'] ?? '' }}" aria-label="times" placeholder="days">
    <input type="hidden" name="work_out[{{ $i }}][add]" value="{{ json_encode($one['add'] ?? [], JSON_THROW_ON_ERROR) }}">
    @if (($one['add'] ?? []) !== [])<span class="muted">with {{ count($one['add']) }} {{ count($one['add']) === 1 ? 'surcharge' : 'surcharges' }}</span>@endif
    <button type="button" class="bare" data-remove title="Take this sum out"><x-icon name="x"/><span class="sr">Take out</span></button>
</div>
