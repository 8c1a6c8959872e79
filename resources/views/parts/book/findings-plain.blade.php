@foreach ($findings as $finding)
    <li class="{{ $finding->severity->value }}"><x-severity :of="$finding->severity->value"/><span class="sr">{{ $finding->severity->value }}</span> <span class="whole">{{ $finding->step ?? 'the whole' }}</span> <span class="message">{{ $finding->message }}</span></li>
@endforeach
