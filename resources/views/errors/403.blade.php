<x-layout title="This is not open to you" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>This is not open to you</h2><p>Your role in this business does not include this page. An owner can change that.</p><p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
