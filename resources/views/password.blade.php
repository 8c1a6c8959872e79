<x-layout title="A new password" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        @if ($link === null)
            <p class="card">This link is over, or was used. <a href="{{ route('forgot') }}">Have a new one sent</a>.</p>
        @else
            <form method="post" action="{{ route('password', $token) }}" class="card">@csrf
                <label for="password">A new password for {{ $link->user->email }}</label><input id="password" name="password" type="password" autocomplete="new-password" required autofocus minlength="{{ \App\Http\Controllers\InvitationController::PASSWORD_LENGTH }}">
                <label for="again">The same again</label><input id="again" name="password_confirmation" type="password" autocomplete="new-password" required>
                @error('password')<p class="error" role="alert">{{ $message }}</p>@enderror
                <button class="primary" type="submit">Set it</button></form>
        @endif
    </div>
</x-layout>
