@props(['of'])
@switch($of)
    @case('error') <x-icon name="octagon-alert"/> @break
    @case('warning') <x-icon name="triangle-alert"/> @break
    @default <x-icon name="info"/>
@endswitch
