<x-layout title="History" :business="$business" :agent="$agent" here="accounts">
    <header class="head"><h1>History</h1><p class="sub"><a href="{{ route('accounts', $business) }}">Accounts</a> · what was done in {{ $business->name }}, by whom and when</p></header>
    <form class="filter" role="search"><label class="sr" for="q">Words</label><input id="q" type="search" name="q" maxlength="120" value="{{ $words }}" placeholder="release, invited, a name"><label class="sr" for="who">By</label><x-choice id="who" name="who" :of="$people" :chosen="(int) $who" none="everybody"/><button>Find</button></form>
    <table class="list"><thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">What</th></tr></thead><tbody>
        @forelse ($entries as $one)<tr><td class="nowrap" title="{{ $one->created_at?->toIso8601String() }}">{{ $one->created_at?->setTimezone($business->tz)->format('D j M Y, H:i') }}</td><td class="nowrap">{{ $one->user->name ?? 'Ringo itself' }}</td><td><strong>{{ $one->did }}</strong> {{ $one->words }}</td></tr>
        @empty<tr><td colspan="3" class="empty">Nothing fits.</td></tr>@endforelse</tbody></table>
    @if ($entries->hasPages())<nav class="pages" aria-label="Pages">@if ($entries->previousPageUrl())<a href="{{ $entries->previousPageUrl() }}">Newer</a>@endif <span>{{ $entries->firstItem() }} to {{ $entries->lastItem() }} of {{ $entries->total() }}</span> @if ($entries->nextPageUrl())<a href="{{ $entries->nextPageUrl() }}">Older</a>@endif</nav>@endif
</x-layout>
