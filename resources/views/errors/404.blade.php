<x-layout title="There is nothing here" :plain="true">
    <div class="sign-in"><h1 class="brand big"><x-mark/><span>Ringo</span></h1><h2>There is nothing here</h2><p>The page or the call is gone, or belongs to another business. Nothing was changed.</p><p><a class="button" href="/">Back to the Board</a></p></div>
</x-layout>
