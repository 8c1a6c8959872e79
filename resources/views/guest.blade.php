<x-layout title="{{ $pass === null ? 'Over' : 'Ring '.$pass->agent->name }}" :plain="true">
    <div class="sign-in">
        <h1 class="brand big"><x-mark/><span>Ringo</span></h1>
        @if (session('notice'))<p class="notice" role="status">{{ session('notice') }}</p>@endif
        @if ($pass === null)
            <p class="card">This link is over. Ask whoever sent it for a new one.</p>
        @elseif (! $in)
            <p class="lead">{{ $pass->guest }}, you are invited to ring <strong>{{ $pass->agent->name }}</strong> of {{ $pass->business->name }}.</p>
            <form method="post" action="{{ route('guest', $token) }}" class="card">@csrf <label for="code">The code you were given</label><input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" required autofocus maxlength="12">@error('code')<p class="error" role="alert">{{ $message }}</p>@enderror <button class="primary">Go on</button></form>
        @else
            <p class="lead">Press the button below at the right and talk to {{ $pass->agent->name }} as a caller would. Nothing you say books or sends anything; your calls are marked as a guest’s.</p>
            <form method="post" action="{{ route('guest.remark', $token) }}" class="card">@csrf <label for="words">What did you think of it?</label><textarea id="words" name="words" rows="5" maxlength="2000" required>{{ old('words') }}</textarea>@error('words')<p class="error" role="alert">{{ $message }}</p>@enderror <button class="primary">Pass it on</button></form>
            <p class="hint">Open until {{ $pass->expires_at->setTimezone($pass->business->tz)->format('j F, H:i') }}.</p>
            <script src="{{ $script }}" data-line="{{ $pass->button_token }}" async></script>
        @endif
    </div>
</x-layout>
