<x-layout title="Businesses" here="businesses">
    <header class="head"><h1>Businesses</h1><p class="sub">the clients you work for</p><div class="actions"><a class="button primary" href="{{ route('business.new') }}"><x-icon name="plus"/> New business</a></div></header>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <table class="list"><thead><tr><th scope="col">Name</th><th scope="col">You are</th><th scope="col" class="num">Lines live</th><th scope="col" class="num">Calls, 7 days</th><th scope="col"><span class="sr">Put away</span></th></tr></thead>
        <tbody>@forelse ($businesses as $one)@php $role = $roles[$one->id]; @endphp<tr>
            <td>@if ($one->archived_at)<span class="muted">{{ $one->name }}, put away {{ $one->archived_at->setTimezone($one->tz)->format('j M Y') }}</span>@else<a href="{{ route('board', $one) }}"><strong>{{ $one->name }}</strong></a>@endif</td>
            <td>{{ $role->value }}</td><td class="num">{{ $one->live_lines }}</td><td class="num">{{ $one->week_calls }}</td>
            <td class="num">@if ($role === \App\Models\Role::Owner)<form method="post" action="{{ route($one->archived_at ? 'business.restore' : 'business.archive', $one) }}">@csrf<button @unless ($one->archived_at) title="Pauses its lines; nobody enters it until it is brought back. Nothing is lost." @endunless>{{ $one->archived_at ? 'Bring back' : 'Put away' }}</button></form>@endif</td></tr>
        @empty<tr><td colspan="5" class="empty">None yet. Make the first one, or ask an owner to invite you.</td></tr>@endforelse</tbody></table>
</x-layout>
