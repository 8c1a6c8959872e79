<x-layout title="This script cannot be read" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>This script cannot be read</h2>
        <p>Nothing was changed. These places have to be put right first:</p>
        <ul>@foreach (array_slice($problems, 0, 12) as $problem)<li><code>{{ $problem['path'] }}</code> {{ $problem['message'] }}</li>@endforeach</ul>
        <p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
