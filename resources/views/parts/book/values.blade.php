<datalist id="values-{{ $key }}">
    @foreach ($script->sheet->fields as $one)<option value="{{ $one->key }}">{{ $one->title }}</option>@endforeach
    @foreach (\Ringo\Script\Paths::CALL as $path => $name)<option value="{{ $path }}">{{ $name }}</option>@endforeach
</datalist>
@foreach ($script->sheet->fields as $one)
    @if ($one->options !== [])<datalist id="than-{{ $key }}-{{ $one->key }}">@foreach ($one->options as $option)<option value="{{ $option['key'] }}">{{ $option['label'] }}</option>@endforeach</datalist>@endif
@endforeach
