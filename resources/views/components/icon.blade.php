@props(['name'])
<svg class="icon" aria-hidden="true" focusable="false"><use href="/build/icons.svg#{{ $name }}"/></svg>
