<x-layout title="Too many tries" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>Too many tries</h2><p>Please wait a minute and try again. Nothing was lost.</p><p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
