@props(['step', 'script', 'self', 'what'])
@php $way = is_array($step['way_out'] ?? null) ? $step['way_out'] : ['then' => 'leave']; @endphp
<fieldset class="inline-fields">
    <legend>Way out <small>after so many tries {{ $what }}</small></legend>
    <x-field class="narrow" label="tries"><input name="tries" type="number" min="1" max="9" value="{{ $step['tries'] ?? 3 }}"></x-field>
    <x-field label="then">
        <select name="way_out[then]" data-shows="way-out">
            <option value="leave" @selected($way['then'] === 'leave')>{{ $step['kind'] === 'ask' ? 'leave it empty and go on' : 'apologise and end the call' }}</option>
            <option value="go" @selected($way['then'] === 'go')>go to a step</option>
            <option value="finish" @selected($way['then'] === 'finish')>end with an outcome</option>
        </select>
    </x-field>
    <span data-shown="way-out" data-when="go" @if ($way['then'] !== 'go') hidden @endif><x-book.to name="way_out[step]" :value="$way['step'] ?? null" :script="$script" :self="$self" label="which step"/></span>
    <x-field label="outcome" data-shown="way-out" data-when="finish" :hidden="$way['then'] !== 'finish'"><input name="way_out[outcome]" value="{{ $way['outcome'] ?? 'gave up' }}"></x-field>
</fieldset>
