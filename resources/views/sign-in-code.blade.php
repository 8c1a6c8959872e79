<x-layout title="Code" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        <form method="post" action="{{ route('sign-in.code') }}" class="card">@csrf <label for="code">The code your telephone shows</label><input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" required autofocus maxlength="40" @error('code') aria-invalid="true" aria-describedby="code-error" @enderror>@error('code')<p class="error" id="code-error">{{ $message }}</p>@enderror <button class="primary" type="submit">Go on</button></form><p class="hint">Lost your telephone? One of your recovery codes does as well. <a href="{{ route('sign-in') }}">Back</a></p>
    </div>
</x-layout>
