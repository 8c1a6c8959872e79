<x-layout title="No business yet" :plain="true">
    <div class="sign-in"><h1>You belong to no business yet</h1><p>Ask the owner of a business to add you; then everything it holds appears here.</p>
        <form method="post" action="{{ route('sign-out') }}">@csrf<button type="submit">Sign out</button></form></div>
</x-layout>
