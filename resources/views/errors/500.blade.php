<x-layout title="Something broke on our side" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>Something broke on our side</h2><p>What you had saved is safe. Go back and try again; if it happens again, tell whoever runs this Ringo the time it happened.</p><p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
