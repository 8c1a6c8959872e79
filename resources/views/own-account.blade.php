<x-layout title="Your account" here="account">
    <header class="head"><h1>Your account</h1><p class="sub">{{ $user->email }}</p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="exchange-body">
        <form class="card" method="post" action="{{ route('account.update') }}">@csrf @method('put')<h2>Name and password</h2>
            <x-field label="name"><input name="name" required maxlength="120" value="{{ old('name', $user->name) }}" autocomplete="name"></x-field>
            <x-field label="password now"><input type="password" name="current" autocomplete="current-password"></x-field>
            <x-field label="a new one" :hint="'empty: as it is; at least '.\App\Http\Controllers\InvitationController::PASSWORD_LENGTH.' characters'"><input type="password" name="password" autocomplete="new-password"></x-field>
            <x-field label="the new one again"><input type="password" name="password_confirmation" autocomplete="new-password"></x-field>
            <div class="go"><button class="primary">Keep</button></div></form>
        <section class="card" id="second"><h2>A second factor</h2>
            @if (session('recovery'))
                <p>It counts from now on. These codes let you in when your telephone is lost, each once. They are shown now and never again:</p><p class="codes">@foreach (session('recovery') as $code)<code>{{ $code }}</code> @endforeach</p>
            @elseif ($user->second_since)
                <p>Since {{ $user->second_since->format('j M Y') }} a code is asked for beside the password. {{ $left }} recovery {{ $left === 1 ? 'code is' : 'codes are' }} left.</p>
                <form method="post" class="inline-fields" action="{{ route('second.stop') }}">@csrf @method('delete')<x-field label="your password"><input type="password" name="current" required autocomplete="current-password"></x-field><button>A password is enough</button></form>
            @elseif ($secret)
                <p>Put this into a program for one-time codes on your telephone, then type the code it shows.</p><p class="codes"><code>{{ trim(chunk_split($secret, 4, ' ')) }}</code></p><p class="muted">The same as an address: <code>{{ $address }}</code></p>
                <form method="post" class="inline-fields" action="{{ route('second.finish') }}">@csrf @method('put')<x-field label="the code it shows"><input name="code" inputmode="numeric" autocomplete="one-time-code" required maxlength="10" autofocus></x-field><button class="primary">It counts</button></form>
            @else
                <p>A code from your telephone beside the password: a password that was found out is not enough then.</p>
                <form method="post" class="inline-fields" action="{{ route('second.begin') }}">@csrf<x-field label="your password"><input type="password" name="current" required autocomplete="current-password"></x-field><button>Begin</button></form>
            @endif</section>
    </div>
    <section class="card"><h2>Where you are signed in</h2>
        @foreach ($sessions as $one)<div class="line"><span class="what"><strong>{{ $one['here'] ? 'here' : $one['from'] }}</strong></span><span class="why">{{ $one['with'] }}</span><span class="when">{{ $one['last']->diffForHumans() }} @unless ($one['here'])<form method="post" action="{{ route('account.session') }}">@csrf @method('delete')<input type="hidden" name="session" value="{{ $one['id'] }}"><button>End</button></form>@endunless</span></div>@endforeach
        @if (count($sessions) > 1)<form method="post" action="{{ route('account.session') }}">@csrf @method('delete')<input type="hidden" name="session" value="others"><button>End all others</button></form>@endif</section>
</x-layout>
