<x-layout title="Sign in" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        <p class="lead">A workshop for phone agents.</p>
        @if (session('notice'))<p class="notice" role="status">{{ session('notice') }}</p>@endif
        <form method="post" action="/sign-in" class="card">
            @csrf
            <label for="email">E-mail</label>
            <input id="email" name="email" type="email" autocomplete="username" required autofocus value="{{ old('email') }}" @error('email') aria-invalid="true" aria-describedby="email-error" @enderror>
            @error('email')<p class="error" id="email-error">{{ $message }}</p>@enderror
            <label for="password">Password</label>
            <input id="password" name="password" type="password" autocomplete="current-password" required @error('password') aria-invalid="true" aria-describedby="password-error" @enderror>
            @error('password')<p class="error" id="password-error">{{ $message }}</p>@enderror
            <label class="inline"><input type="checkbox" name="remember" value="1"> Stay signed in on this computer</label>
            <button class="primary" type="submit">Sign in</button>
        </form>
        <p class="hint"><a href="{{ route('forgot') }}">Forgot your password?</a></p>
        @if ($demo)
            <p class="hint">The demonstration’s sign-in was printed when Ringo was started: <code>specialist@ringo.example</code>.</p>
        @endif
    </div>
</x-layout>
