<fieldset class="inline-fields">
    <legend>Reads back <small>those without a value are left out</small></legend>
    @foreach ($script->sheet->fields as $one)<x-tick name="fields[]" value="{{ $one->key }}" :on="in_array($one->key, $step['fields'] ?? [], true)">{{ $one->title }}</x-tick>@endforeach
</fieldset>
<x-book.texts name="prompt" :texts="$texts('prompt')" label="Own words" add="own words around it" :least="0" hint="[summary] stands for what is read back"/>
<div class="inline-fields">
    <x-book.to name="next" :value="$step['next'] ?? null" :script="$script" :self="$key" label="all right, goes to"/>
</div>
<x-book.way-out :step="$step" :script="$script" :self="$key" what="without a yes"/>
