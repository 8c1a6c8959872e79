<x-layout title="A new password" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        <form method="post" action="{{ route('forgot') }}" class="card">@csrf <label for="email">E-mail of your account</label><input id="email" name="email" type="email" autocomplete="username" required autofocus value="{{ old('email') }}">@error('email')<p class="error">{{ $message }}</p>@enderror <button class="primary" type="submit">Send me a link</button></form><p class="hint"><a href="{{ route('sign-in') }}">Back</a></p>
    </div>
</x-layout>
