@php
    $kinds = array_map(fn ($one): string => mb_strtolower($one->means()->title()), \App\Actions\Deliveries\Kinds\DeliveryKinds::all());
    $marks = ['waiting' => 'waiting', 'sending' => 'being sent', 'sent' => 'sent', 'failed' => 'tried again', 'dead' => 'given up', 'cancelled' => 'cancelled'];
    $designs = auth()->user()->can('design', $business);
@endphp
<x-layout title="Post room" :business="$business" :agent="$agent" here="post">
    <header class="head"><h1>Post room</h1><p class="sub">@foreach ($marks as $state => $name)@if (($counts[$state] ?? 0) > 0)<a href="{{ route('post', [$business, 'state' => $state]) }}">{{ $counts[$state] }} {{ $name }}</a>{{ ' · ' }}@endif @endforeach what calls have caused</p>
        @if ($designs)<div class="actions"><a class="button primary" href="{{ route('post.rule.new', $business) }}"><x-icon name="plus"/> New rule</a></div>@endif
    </header>
    <x-at-once :business="$business" :area="\App\Support\AtOnce::Deliveries"/>
    <form class="filter" action="{{ route('post', $business) }}">
        <label for="p-state">State</label><x-choice id="p-state" name="state" :of="$marks" :chosen="($filter['state'] ?? '')" none="any"/>
        <label for="p-kind">Kind</label><x-choice id="p-kind" name="kind" :of="$kinds" :chosen="($filter['kind'] ?? '')" none="any"/>
        <label for="p-q">Holds</label><input id="p-q" type="search" name="q" value="{{ $filter['q'] ?? '' }}"><button type="submit">Show</button>
        @if (array_filter($filter))<a href="{{ route('post', $business) }}">Show all</a>@endif
    </form>
    @if ($deliveries->isEmpty())
        <p class="empty card">@if (array_filter($filter)) Nothing fits. @else Texts, e-mails, rows and web requests that calls cause are listed here. @if ($designs) <a href="{{ route('post.rule.new', $business) }}">Write the first rule</a>, or let a script send something. @endif @endif</p>
    @else
        <table class="list" data-rows><thead><tr><th>Due</th><th>What</th><th>To</th><th>State</th><th class="num">Tries</th><th>Call</th></tr></thead>
            <tbody>@foreach ($deliveries as $one)
                <tr data-row tabindex="-1" data-href="{{ route('delivery', [$business, $one]) }}">
                    <td class="nowrap"><a href="{{ route('delivery', [$business, $one]) }}">{{ $one->due_at->setTimezone($business->tz)->format('D j M, H:i') }}</a></td>
                    <td class="left"><strong>{{ $one->name }}</strong> <small>{{ $kinds[$one->kind] ?? $one->kind }}</small><br><span class="muted one-line">{{ $one->inShort() }}{{ $one->file ? ', with '.$one->file : '' }}</span></td>
                    <td title="{{ $one->to }}">{{ \Illuminate\Support\Str::limit(preg_match('/^\+\d+$/', $one->to) === 1 ? (app(\Ringo\Numbering\NumberingPlan::class)->describe($one->to)?->inNationalFormat() ?? $one->to) : (preg_replace('~^https?://~', '', $one->to) ?? $one->to), 34) }}</td>
                    <td class="state-{{ $one->state }}"><strong>{{ $marks[$one->state] }}</strong>@if ($one->problem !== '')<br><small>{{ \Illuminate\Support\Str::limit($one->problem, 60) }}</small>@endif</td>
                    <td class="num">{{ $one->attempts }}</td>
                    <td class="nowrap">@if ($one->call)<a href="{{ route('call', [$business, $one->call]) }}">{{ $one->call->caller_name }}</a>@endif</td>
                </tr>@endforeach</tbody></table>
        @if ($deliveries->hasPages())<nav class="pages" aria-label="Pages">@if ($deliveries->previousPageUrl())<a href="{{ $deliveries->previousPageUrl() }}">Newer page</a>@endif<span>page {{ $deliveries->currentPage() }} of {{ $deliveries->lastPage() }}</span>@if ($deliveries->nextPageUrl())<a href="{{ $deliveries->nextPageUrl() }}">Next page</a>@endif</nav>@endif
    @endif
    <div class="post-lower">
        <section class="card" aria-labelledby="rules-title"><h2 id="rules-title">What follows a call</h2>
            @forelse ($rules as $rule)
                <div class="line post-rule"><span class="what">@if ($designs)<a href="{{ route('post.rule', [$business, $rule]) }}"><strong>{{ $rule->name }}</strong></a>@else<strong>{{ $rule->name }}</strong>@endif @unless ($rule->active)<span class="muted">switched off</span>@endunless</span>
                    <span class="why">{{ $kinds[$rule->kind] }}{{ \App\Actions\Deliveries\Kinds\DeliveryKinds::of($rule->kind)->has('to') ? ' to '.$rule->to : '' }}, {{ \Ringo\Delivery\Timing::of($rule->timing)->inWords() }}{{ $rule->agent ? ', calls of '.$rule->agent->name : '' }}</span>
                    <span class="when">@if ($rule->kind === 'row')<a href="{{ route('post.csv', [$business, $rule]) }}">CSV</a> <a href="{{ route('post.xlsx', [$business, $rule]) }}">XLSX</a> {{ $rule->rows_count }} rows @endif</span></div>
            @empty<p class="empty">No rule yet: nothing is sent but what scripts send.</p>@endforelse
        </section>
        <div class="post-side">
        @if ($designs || $enclosures->isNotEmpty())
        <section class="card" aria-labelledby="files-title"><h2 id="files-title">Files that go with e-mails</h2>
            @forelse ($enclosures as $file)
                <div class="line"><span class="what"><a href="{{ route('enclosure', [$business, $file]) }}">{{ $file->name }}</a></span><span class="why">{{ $file->size() }}, since {{ $file->updated_at->setTimezone($business->tz)->format('j M Y') }}</span>@if ($designs)<form method="post" action="{{ route('enclosure.delete', [$business, $file]) }}">@csrf @method('delete')<button type="submit" class="bare" aria-label="Take out {{ $file->name }}"><x-icon name="x"/></button></form>@endif</div>
            @empty<p class="empty">A price list, terms, a map: what send steps and rules can put into an e-mail.</p>@endforelse
            @if ($designs)<form class="filter" method="post" action="{{ route('enclosure.store', $business) }}" enctype="multipart/form-data">@csrf<label for="p-file">A file</label><input id="p-file" type="file" name="enclosure" required><button type="submit">Put it here</button></form>@endif
            @error('enclosure')<p class="error" role="alert">{{ $message }}</p>@enderror
        </section>
        @endif
        @if ($designs)
        <section class="card" aria-labelledby="gate-title"><h2 id="gate-title">Ways out <small>stand-ins that ship with Ringo</small></h2>
            @foreach (array_map(fn ($one): string => $one->means()->plural(), \App\Actions\Deliveries\Kinds\DeliveryKinds::travelling()) as $kind => $name)
                <form class="gate" method="post" action="{{ route('post.gateway', $business) }}">@csrf<input type="hidden" name="kind" value="{{ $kind }}"><label for="g-{{ $kind }}">{{ $name }}</label><x-choice id="g-{{ $kind }}" name="mode" :of="$MODES" :chosen="($modes[$kind] ?? 'works')"/><button type="submit">Set</button></form>
            @endforeach
            <p class="muted">What they receive is kept here and goes nowhere. Real e-mail and allowed web hosts are switched on by configuration.</p>
        </section>
        @endif
        </div>
    </div>
</x-layout>
