@foreach (preg_split('/(\[[^\]]+\])/', $text, -1, PREG_SPLIT_DELIM_CAPTURE) as $part)@if (str_starts_with($part, '['))<span class="slot">{{ $part }}</span>@else{{ $part }}@endif
@endforeach
