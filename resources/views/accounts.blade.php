@php $owns = auth()->user()->can('own', $business); @endphp
<x-layout title="Accounts" :business="$business" :agent="$agent" here="accounts">
    <header class="head"><h1>Accounts</h1><p class="sub">who may sign in to {{ $business->name }}, and as what · <a href="{{ route('history', $business) }}">History</a></p></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    @if (session('invited'))<div class="notice" role="status"><span>{{ session('invited')['email'] }} is invited. The link went there by e-mail; it is shown here once: <code>{{ session('invited')['link'] }}</code></span></div>@endif
    <table class="list"><thead><tr><th scope="col">Name</th><th scope="col">E-mail</th><th scope="col">Second factor</th><th scope="col">May</th><th scope="col"><span class="sr">Remove</span></th></tr></thead>
        <tbody>@foreach ($members as $one)<tr><td><strong>{{ $one->name }}</strong>{{ $one->user_id === $me->id ? ', you' : '' }}</td><td>{{ $one->email }}</td><td>{{ $one->second_since ? 'a code' : 'none' }}</td>
            <td>@if ($owns)<form method="post" class="pair" action="{{ route('account.role', [$business, $one->user_id]) }}">@csrf @method('put')<x-choice name="role" aria-label="What {{ $one->name }} may do" :of="['owner' => 'own', 'designer' => 'design', 'staff' => 'take calls and check records']" :chosen="$one->role->value"/> <button>Set</button></form>@else{{ $one->role->value }}@endif</td>
            <td class="num">@if ($owns)<form method="post" action="{{ route('account.remove', [$business, $one->user_id]) }}">@csrf @method('delete')<button class="danger">Remove</button></form>@endif</td></tr>@endforeach</tbody></table>
    @if ($owns)
        <section class="card after-list"><h2>Invite somebody</h2><form method="post" class="inline-fields" action="{{ route('account.invite', $business) }}">@csrf<x-field label="e-mail"><input type="email" name="email" required maxlength="200" value="{{ old('email') }}"></x-field>
            <x-field label="may"><x-choice name="role" :of="['designer' => 'design agents', 'staff' => 'take calls and check records', 'owner' => 'own: let people in and out']" :chosen="old('role')"/></x-field><button class="primary">Invite</button></form>
            @foreach ($invitations as $one)<div class="line"><span class="what"><strong>{{ $one->email }}</strong> as {{ $one->role->value }}</span><span class="why">{{ $one->expires_at->isPast() ? 'over' : 'open until '.$one->expires_at->setTimezone($business->tz)->format('j M, H:i') }}</span><form method="post" action="{{ route('account.withdraw', [$business, $one]) }}">@csrf @method('delete')<button>Withdraw</button></form></div>@endforeach</section>
    @endif
</x-layout>
