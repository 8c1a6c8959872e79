<x-layout title="Invitation" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        @if ($invitation === null)
            <p class="card">This invitation is over, was withdrawn, or was taken up. Ask whoever invited you for a new one. <a href="{{ route('sign-in') }}">Sign in</a></p>
        @else
            <p class="lead">You are invited to <strong>{{ $invitation->business->name }}</strong> as {{ $invitation->role->value }}.</p>
            <form method="post" action="{{ route('invitation.accept', $token) }}" class="card">@csrf
                @foreach ($errors->all() as $message)<p class="error" role="alert">{{ $message }}</p>@endforeach
                @if ($known)
                    <p>{{ $invitation->email }} has an account: sign in with its password.</p>
                    <label for="password">Password</label><input id="password" name="password" type="password" autocomplete="current-password" required autofocus>
                @else
                    <label for="name">Your name</label><input id="name" name="name" required maxlength="120" autocomplete="name" autofocus value="{{ old('name') }}">
                    <label for="password">A password <small>at least {{ \App\Http\Controllers\InvitationController::PASSWORD_LENGTH }} characters</small></label><input id="password" name="password" type="password" autocomplete="new-password" required>
                    <label for="again">The same again</label><input id="again" name="password_confirmation" type="password" autocomplete="new-password" required>
                @endif
                <button class="primary" type="submit">Come in</button></form>
        @endif
    </div>
</x-layout>
