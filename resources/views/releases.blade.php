@php
    /** @var ?list<\Ringo\Design\Change> $changes */
    $errors_ = array_filter($findings, \Ringo\Inspection\Inspector::blocks(...));
    $warnings = array_filter($findings, fn ($f) => $f->severity === \Ringo\Inspection\Severity::Warning);
@endphp
<x-layout title="Releases" :business="$business" :agent="$agent" here="prompt-book">
    <x-agent-head :business="$business" :agent="$agent" here="releases" title="Releases" sub="A release is numbered and frozen. Calls keep the release they ran on."/>
    @if ($errors->any())<ul class="problems" role="alert">@foreach ($errors->all() as $error)<li>{{ $error }}</li>@endforeach</ul>@endif
    <div class="release-body">
        <section class="card" aria-labelledby="draft-title">
            <h2 id="draft-title">The draft</h2>
            @if ($changes === null)<p>Nothing is released yet: the first release holds everything.</p>
            @elseif ($same)<p class="empty">The draft is the same as release {{ $releases->first()->number }}.</p>
            @else
                <p>{{ count($changes) === 1 ? '1 change' : count($changes).' changes' }} since release {{ $releases->first()->number }}. <a href="{{ route('releases.compare', [$business, $agent]) }}">Old and new side by side</a></p>
                <ul class="change-list">@foreach (array_slice($changes, 0, 12) as $change)<li class="{{ $change->kind }}"><span class="kind">{{ $change->kind }}</span> {{ $change->words }}</li>@endforeach @if (count($changes) > 12)<li class="muted">and {{ count($changes) - 12 }} more</li>@endif</ul>
            @endif
            @if ($cases->isNotEmpty())
                @php $broken = $cases->filter(fn ($case) => $case->failing()); @endphp
                <p class="case-sum {{ $broken->isEmpty() ? 'good' : 'wrong' }}">@if ($broken->isEmpty())<x-icon name="circle-check"/> <a href="{{ route('casebook', [$business, $agent]) }}">All {{ $cases->count() }} cases</a> pass.@else<x-icon name="circle-alert"/> <a href="{{ route('casebook', [$business, $agent]) }}">{{ $broken->count() }} of {{ $cases->count() }} cases</a> {{ $broken->count() === 1 ? 'fails' : 'fail' }}: @foreach ($broken->sortByDesc(fn ($case) => $case->kept['must'] ?? false)->take(3) as $case)<a href="{{ route('case', [$business, $agent, $case]) }}">{{ $case->kept['title'] }}</a>{{ ($case->kept['must'] ?? false) ? ' (must pass)' : '' }}{{ $loop->last ? '.' : ', ' }}@endforeach @endif</p>
            @endif
            @unless ($same)
                <form method="post" action="{{ route('release.store', [$business, $agent]) }}" class="stack">@csrf<input type="hidden" name="version" value="{{ $version }}">
                    @if ($errors_ !== [])
                        <p class="error">{{ count($errors_) === 1 ? 'An error stands' : count($errors_).' errors stand' }} in the way:</p><ul class="found-list">@include('parts.book.findings-plain', ['findings' => array_slice($errors_, 0, 8)])</ul>
                        <p><a class="button" href="{{ route('prompt-book', [$business, $agent]) }}">Mend them in the prompt book</a></p>
                    @else
                        @if ($warnings !== [])<ul class="found-list">@include('parts.book.findings-plain', ['findings' => array_slice($warnings, 0, 8)])</ul>
                        <x-tick name="accept" value="1">{{ count($warnings) === 1 ? 'The warning is' : 'The '.count($warnings).' warnings are' }} accepted</x-tick>@endif
                        <x-field label="what this release is for"><input name="note" maxlength="250" value="{{ old('note') }}" placeholder="such as: asks for the depot before the date"></x-field>
                        <p><button class="primary">Make release {{ ($releases->first()->number ?? 0) + 1 }}</button></p>
                    @endif
                </form>
            @endunless
        </section>
        <section aria-labelledby="past-title"><h2 id="past-title" class="sr">Releases</h2>
            @forelse ($releases as $release)
                <article class="card release" id="release-{{ $release->number }}">
                    <h3>Release {{ $release->number }} @if ($loop->first)<span class="badge live">in use</span>@endif</h3>
                    @if ($loop->first)<p class="muted">Answers from @forelse ($knows as $source)<a href="{{ route('knowledge.source', [$business, $source]) }}">{{ $source->name }}</a> version {{ $source->version }}{{ $loop->last ? '' : ', ' }}@empty nothing yet: <a href="{{ route('knowledge', $business) }}">no knowledge is written</a>@endforelse. A change there counts from the next call on, without a release.</p>@endif
                    <p class="muted">{{ $release->created_at?->setTimezone($business->tz)->format('j F Y, H:i') }}@if ($release->releasedBy), by {{ $release->releasedBy->name }}@endif; {{ ($calls[$release->id] ?? 0) === 1 ? '1 call' : ($calls[$release->id] ?? 0).' calls' }}</p>
                    @if ($release->foreseen)<p class="muted">Deals with {{ $release->foreseen['handled'] }} of {{ $release->foreseen['of'] }} things callers of a {{ implode(' or ', $release->foreseen['trades']) }} say.</p>@endif
                    @if ($release->note !== '')<p>{{ $release->note }}</p>@endif
                    @if (($release->changes ?? []) !== [])<details><summary>{{ count($release->changes) === 1 ? '1 change' : count($release->changes).' changes' }}</summary><ul class="change-list">@foreach ($release->changes as $change)<li class="{{ $change['kind'] }}"><span class="kind">{{ $change['kind'] }}</span> {{ $change['words'] }}</li>@endforeach</ul></details>@endif
                    <div class="actions">
                        <a class="button" href="{{ route('releases.compare', [$business, $agent, 'from' => $release->number, 'to' => 'draft']) }}">Compare with the draft</a>
                        <a class="button" href="{{ route('agent.export', [$business, $agent, 'release' => $release->number]) }}"><x-icon name="download"/> Document</a>
                        @unless ($loop->first)<form method="post" action="{{ route('release.again', [$business, $agent, $release->number]) }}" class="again">@csrf<x-tick name="draft" value="1">the draft too</x-tick><button>Release it again</button></form>@endunless
                    </div>
                </article>
            @empty
                <p class="card empty">No release yet. Lines run releases, never a draft.</p>
            @endforelse
        </section>
    </div>
</x-layout>
