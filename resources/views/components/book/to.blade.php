@props(['name', 'value' => null, 'script', 'label', 'none' => null, 'self' => null, 'bare' => false])
@php /** @var \Ringo\Script\Script $script */ @endphp
<label class="{{ $bare ? 'sr-label' : 'field-label' }}"><span>{{ $label }}</span>
    <select name="{{ $name }}" data-to aria-label="{{ $label }}">
        @if ($none !== null)<option value="">{{ $none }}</option>@endif
        @foreach ($script->steps as $key => $one)
            <option value="{{ $key }}" @selected($value === (string) $key)>{{ $key }}@if ((string) $key === $self) (itself)@endif</option>
        @endforeach
        <option value="+new">a new step …</option>
        <option value="return" @selected($value === 'return')>return to where a detour began</option>
    </select>
</label>
