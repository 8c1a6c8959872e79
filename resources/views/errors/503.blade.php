<x-layout title="Not available just now" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>Not available just now</h2><p>Try again in a moment.</p><p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
